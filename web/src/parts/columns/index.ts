export { Columns } from './columns.tsx'
