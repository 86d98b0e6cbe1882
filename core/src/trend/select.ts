/**
 * Put the k-th smallest value in its place, smaller ones before it and larger ones behind; the array is changed.
 * @param a finite values @param k index in the sorted order, within left and right
 * @returns that value
 * @source Floyd and Rivest 1975, algorithm 489
 */
export function selectInPlace(a: Float64Array, k: number, left = 0, right = a.length - 1): number {
  while (right > left) {
    if (right - left > 600) {
      const n = right - left + 1
      const i = k - left + 1
      const z = Math.log(n)
      const s = 0.5 * Math.exp((2 * z) / 3)
      const sd = 0.5 * Math.sqrt((z * s * (n - s)) / n) * (i - n / 2 < 0 ? -1 : 1)
      selectInPlace(
        a,
        k,
        Math.max(left, Math.floor(k - (i * s) / n + sd)),
        Math.min(right, Math.floor(k + ((n - i) * s) / n + sd)),
      )
    }
    const t = a[k] as number
    let i = left
    let j = right
    a[k] = a[left] as number
    a[left] = t
    if ((a[right] as number) > t) {
      a[left] = a[right] as number
      a[right] = t
    }
    while (i < j) {
      const swapped = a[i] as number
      a[i] = a[j] as number
      a[j] = swapped
      i++
      j--
      while ((a[i] as number) < t) i++
      while ((a[j] as number) > t) j--
    }
    if (a[left] === t) {
      const swapped = a[left] as number
      a[left] = a[j] as number
      a[j] = swapped
    } else {
      j++
      const swapped = a[j] as number
      a[j] = a[right] as number
      a[right] = swapped
    }
    if (j <= k) left = j + 1
    if (k <= j) right = j - 1
  }
  return a[k] as number
}

/**
 * Median of the first n values of an array that is changed, known to lie between two places that are settled already; of an
 * even count the mean of the two middle ones.
 */
export function medianOfRange(a: Float64Array, n: number, left: number, right: number): number {
  const upper = selectInPlace(a, n >> 1, left, right)
  if (n % 2 === 1) return upper
  let lower = -Infinity
  for (let i = left; i < n >> 1; i++) if ((a[i] as number) > lower) lower = a[i] as number
  return (lower + upper) / 2
}

/** Median of the first n values of an array that is changed. */
export const medianInPlace = (a: Float64Array, n: number): number => medianOfRange(a, n, 0, n - 1)
