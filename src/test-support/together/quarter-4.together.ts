import { quarter } from './quarter'

quarter(3)
