const longest = 60

/**
 * Read a figure as people write it: `13.6`, `13,6`, `1/2`, `7-1/2`, `1 1/2`, `.5`. Thousands separators are
 * not guessed: `1,234` would be read as 1.234, so a comma followed by exactly three digits is refused
 * unless `decimalComma` says how the file writes its figures.
 * @returns the number, or null when the text is no figure
 */
export function parseFigure(text: string, decimalComma?: boolean): number | null {
  // No figure is longer; what is, is not looked at.
  if (text.length > longest) return null
  const t = text.trim().replace('−', '-')
  const fraction = /^(?:(\d+)[ -])?(\d+)\/(\d+)$/.exec(t)
  if (fraction) {
    const below = Number(fraction[3])
    return below === 0 ? null : Number(fraction[1] ?? 0) + Number(fraction[2]) / below
  }
  if (/^[+-]?(?:\d+(?:\.\d*)?|\.\d+)(?:[eE][+-]?\d+)?$/.test(t)) return Number(t)
  if (/^[+-]?\d*,\d+$/.test(t)) {
    if (decimalComma === false) return null
    if (decimalComma === undefined && /^[+-]?[1-9]\d{0,2},\d{3}$/.test(t)) return null
    return Number(t.replace(',', '.'))
  }
  return null
}
