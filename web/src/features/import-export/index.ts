export { ImportExport } from './import-export.tsx'
