export { offerUndo } from './offer-undo.ts'
export { UndoHost } from './undo-host.tsx'
