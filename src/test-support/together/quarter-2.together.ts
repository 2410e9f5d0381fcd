import { quarter } from './quarter'

quarter(1)
