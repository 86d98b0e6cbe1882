/**
 * Take a symmetric positive definite matrix apart, by Cholesky's factors.
 * @param a matrix by rows, n × n; it is not changed
 * @returns what solves it for a right-hand side, or null when the matrix is not positive definite
 * @source Golub and Van Loan, Matrix Computations, 4.2
 */
export function factorSpd(a: readonly number[], n: number): ((right: readonly number[]) => number[]) | null {
  // Plain arrays: for the few terms of a trend, making a typed one takes longer than the sums.
  const l: number[] = new Array<number>(n * n).fill(0)
  for (let i = 0; i < n; i++)
    for (let j = 0; j <= i; j++) {
      let sum = a[i * n + j] ?? 0
      for (let k = 0; k < j; k++) sum -= (l[i * n + k] ?? 0) * (l[j * n + k] ?? 0)
      if (i !== j) l[i * n + j] = sum / (l[j * n + j] ?? 1)
      else if (sum > 1e-14 * Math.abs(a[i * n + i] ?? 0)) l[i * n + i] = Math.sqrt(sum)
      else return null
    }
  return (right) => {
    const x = right.slice()
    for (let i = 0; i < n; i++) {
      for (let k = 0; k < i; k++) x[i] = (x[i] ?? 0) - (l[i * n + k] ?? 0) * (x[k] ?? 0)
      x[i] = (x[i] ?? 0) / (l[i * n + i] ?? 1)
    }
    for (let i = n - 1; i >= 0; i--) {
      for (let k = i + 1; k < n; k++) x[i] = (x[i] ?? 0) - (l[k * n + i] ?? 0) * (x[k] ?? 0)
      x[i] = (x[i] ?? 0) / (l[i * n + i] ?? 1)
    }
    return x
  }
}
