export { PictureButton, type PictureOf } from './picture-button.tsx'
