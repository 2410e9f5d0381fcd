import { quarter } from './quarter'

quarter(0)
