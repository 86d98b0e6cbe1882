export { Spark } from './spark.tsx'
