/** A phasor: real and imaginary part. */
export interface Complex {
  readonly re: number
  readonly im: number
}

export const complex = (re: number, im = 0): Complex => ({ re, im })
export const polar = (size: number, degrees: number): Complex => ({
  re: size * Math.cos((degrees * Math.PI) / 180),
  im: size * Math.sin((degrees * Math.PI) / 180),
})
export const add = (a: Complex, b: Complex): Complex => ({ re: a.re + b.re, im: a.im + b.im })
export const multiply = (a: Complex, b: Complex): Complex => ({
  re: a.re * b.re - a.im * b.im,
  im: a.re * b.im + a.im * b.re,
})
export const scale = (a: Complex, k: number): Complex => ({ re: a.re * k, im: a.im * k })
export const size = (a: Complex): number => Math.hypot(a.re, a.im)
export const subtract = (a: Complex, b: Complex): Complex => ({ re: a.re - b.re, im: a.im - b.im })
export const divide = (a: Complex, b: Complex): Complex => {
  const d = b.re * b.re + b.im * b.im
  return { re: (a.re * b.re + a.im * b.im) / d, im: (a.im * b.re - a.re * b.im) / d }
}
/** Impedance of two in parallel. */
export const parallel = (a: Complex, b: Complex): Complex => divide(multiply(a, b), add(a, b))
