const most = 400
const from = new Float64Array(most)
const to = new Float64Array(most)

/**
 * Sum of the signs of y[j] − y[i] over all pairs i < j, and how many pairs are equal, by merging: n log n.
 * @param y finite values, of which the first n are looked at; it is not changed
 * @source Knight 1966, the count of exchanges of a merge sort
 */
export function signSum(y: Float64Array, n: number): { sum: number; ties: number } {
  from.set(y.subarray(0, n))
  let source = from
  let target = to
  let falls = 0
  for (let width = 1; width < n; width *= 2) {
    for (let start = 0; start < n; start += 2 * width) {
      const middle = Math.min(start + width, n)
      const end = Math.min(start + 2 * width, n)
      let i = start
      let j = middle
      let k = start
      while (i < middle && j < end) {
        // Equal values are no fall: the earlier one goes first.
        if ((source[j] as number) < (source[i] as number)) {
          falls += middle - i
          target[k++] = source[j++] as number
        } else target[k++] = source[i++] as number
      }
      while (i < middle) target[k++] = source[i++] as number
      while (j < end) target[k++] = source[j++] as number
    }
    const swapped = source
    source = target
    target = swapped
  }
  let ties = 0
  let run = 1
  for (let i = 1; i <= n; i++) {
    if (i < n && source[i] === source[i - 1]) run++
    else {
      ties += (run * (run - 1)) / 2
      run = 1
    }
  }
  return { sum: (n * (n - 1)) / 2 - ties - 2 * falls, ties }
}
