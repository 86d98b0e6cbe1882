export { FindingForm } from './finding-form.tsx'
export { FindingsPanel } from './findings-panel.tsx'
