import { quarter } from './quarter'

quarter(2)
