export { Columns } from './columns.tsx'
export { Tiles } from './tiles.tsx'
