export { Books } from './books.tsx'
