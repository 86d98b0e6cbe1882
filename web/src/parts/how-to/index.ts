export { HowToButton, loadHowTo } from './how-to.tsx'
