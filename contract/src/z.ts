import { z } from 'zod'
import { plainError } from './plain-errors.ts'

// Whatever a schema of the contract refuses is told plainly, in the hand and by the server.
z.config({ customError: plainError })

export { z }
