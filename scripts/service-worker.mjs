// bundles the service worker into public/sw.js, with the names of all that the build made
import { readdirSync, statSync } from 'node:fs'
import path from 'node:path'
import { build } from 'esbuild'

const STATIC = path.join('.next', 'static')
/** maps are for whoever looks into the code; the manifests of a build are not asked for by a page */
const asked = (file) => !/\.map$|Manifest\.js$/.test(file)

const files = (place) =>
  readdirSync(place).flatMap((name) => {
    const at = path.join(place, name)
    return statSync(at).isDirectory() ? files(at) : [at]
  })

// names carry their content: they need no revision
const precached = files(STATIC)
  .filter(asked)
  .map((file) => ({ url: `/_next/static/${path.relative(STATIC, file).split(path.sep).join('/')}`, revision: null }))

await build({
  entryPoints: [path.join('src', 'service-worker.ts')],
  outfile: path.join('public', 'sw.js'),
  bundle: true,
  minify: true,
  format: 'iife',
  target: 'es2022',
  define: { 'self.precached': JSON.stringify(precached), 'process.env.NODE_ENV': '"production"' },
  logLevel: 'warning',
})
process.stdout.write(`service worker: ${precached.length} files\n`)
