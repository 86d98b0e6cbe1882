import type { VfdProfile } from '../profile.ts'
import { corvidVx4 } from './corvid-vx4.ts'
import { northrailP200 } from './northrail-p200.ts'

/** Profiles that come with the product; a lead adds others by file. */
export const shippedProfiles: readonly VfdProfile[] = [corvidVx4, northrailP200]
