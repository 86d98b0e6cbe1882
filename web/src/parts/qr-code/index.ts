export { QrCode } from './qr-code.tsx'
