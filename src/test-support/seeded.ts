// past the package's name, which jest.config.mjs turns into this file
import fc from '../../node_modules/fast-check/lib/cjs/fast-check.js'

/** Random properties as they are wherever it is decided whether a change may land: every time the same. */
fc.configureGlobal({ seed: Number(process.env.PYRAXIS_SEED ?? 1500774705) })

export default fc
