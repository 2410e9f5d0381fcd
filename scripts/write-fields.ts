/** Writes the table of a job's fields beside its schemas: `npm run fields`, whenever a field is added or changed. */
import { writeFileSync } from 'node:fs'
import { fieldTableOf } from '../src/core/fields'
import { jobSchema } from '../src/core/job'

writeFileSync('src/core/job/fields.json', `${JSON.stringify(fieldTableOf(jobSchema))}\n`)
