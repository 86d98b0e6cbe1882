export { byNumber, byText, DataTable } from './data-table.tsx'
