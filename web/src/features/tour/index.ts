export { ProductTour } from './tour.tsx'
