import type { ConductorRole } from '../document'

/** What a conductor is called in a sentence. */
export const roleNames: Readonly<Record<ConductorRole, string>> = {
  feed: 'feed', return: 'way back', control: 'control feed', trigger: 'trigger wire', 'coil-return': "coil's ground", 'supply-return': "controller's ground", override: 'override wire', call: 'call wire', timer: 'timer wire', lamp: 'lamp wire',
}
