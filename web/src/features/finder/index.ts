export { Finder } from './finder.tsx'
export { NoSuchPage } from './no-such-page.tsx'
export { ScannedTag } from './scanned-tag.tsx'
