export { demoOrganisation } from './organisation.ts'
export { demoPassword, demoPeople } from './people.ts'
export { storyOf, truth, type Story } from './truth.ts'
