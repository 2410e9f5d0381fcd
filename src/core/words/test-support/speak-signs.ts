import { speak } from '..'
import { inSigns } from './in-signs'

/** Spoken before anything that has words in it is loaded: to be imported first. */
speak(inSigns)
