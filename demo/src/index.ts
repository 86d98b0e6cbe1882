export { demoOrganization } from './organization.ts'
export { demoPassword, demoPeople } from './people.ts'
export { storyOf, truth, type Story } from './truth.ts'
