import type { NextConfig } from 'next'

const config: NextConfig = {
  reactStrictMode: true,
  poweredByHeader: false,
  serverExternalPackages: ['better-sqlite3', 'pdfkit', 'fontkit', 'elkjs', 'pino', 'gettext-parser'],
  outputFileTracingRoot: import.meta.dirname,
  // types and lint are checked by `npm test`, once
  typescript: { ignoreBuildErrors: true },
  sassOptions: { quietDeps: true, silenceDeprecations: ['import', 'global-builtin', 'color-functions', 'if-function'] },
}

export default config
