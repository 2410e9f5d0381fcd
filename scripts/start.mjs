// npm start: serves what was built, on this machine alone; what is written behind `--` is the port
import { serve } from './shared.mjs'

const at = process.argv.indexOf('-p')
serve('127.0.0.1', at > 0 ? process.argv[at + 1] : (process.env.PORT ?? '3000'))
