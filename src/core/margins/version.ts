/** Version of the computation; it stands in every evaluation and beside every signature. */
export const CORE_VERSION = '1.13.0'
