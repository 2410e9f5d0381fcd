import type { NextConfig } from 'next'

const config: NextConfig = {
  reactStrictMode: true,
  // a route's code is read when it is first asked for: the application is up sooner by what all of them take
  experimental: { preloadEntriesOnStart: false },
  poweredByHeader: false,
  serverExternalPackages: ['better-sqlite3', 'pdfkit', 'fontkit', 'elkjs', 'pino', 'gettext-parser'],
  outputFileTracingRoot: import.meta.dirname,
  // types and lint are checked by `npm test`, once
  typescript: { ignoreBuildErrors: true },
  sassOptions: { quietDeps: true, silenceDeprecations: ['import', 'global-builtin', 'color-functions', 'if-function'] },
}

export default config
