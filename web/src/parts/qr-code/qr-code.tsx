import { toString as qr } from 'qrcode'
import { useEffect, useState } from 'react'

/** A code that a camera reads, as SVG; drawn by the page itself, nothing is asked of anybody. */
export function QrCode({ text }: { text: string }) {
  const [svg, setSvg] = useState('')
  useEffect(() => {
    void qr(text, { type: 'svg', margin: 0, errorCorrectionLevel: 'Q' }).then(setSvg)
  }, [text])
  return <img alt="" src={`data:image/svg+xml,${encodeURIComponent(svg)}`} />
}
