export { Loading } from './loading.tsx'
