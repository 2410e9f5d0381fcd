// npm run schema: writes docs/job.schema.json from the job document
import { writeFileSync } from 'node:fs'
import { jobJsonSchema } from '../src/formats'

writeFileSync('docs/job.schema.json', `${JSON.stringify(jobJsonSchema(), null, 2)}\n`)
