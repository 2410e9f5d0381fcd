import { MessagePage } from './trouble'
import { say } from '@/core/words'

export default function NotFound() {
  return (
    <MessagePage title={say`There is no such page`} message={say`The address leads nowhere in this yard.`} back="/" />
  )
}
