import { runTend } from './run'

process.exitCode = await runTend(process.argv.slice(2), {
  out: (text) => process.stdout.write(text),
  err: (text) => process.stderr.write(text),
})
