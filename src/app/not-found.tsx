import { MessagePage } from './trouble'

export default function NotFound() {
  return <MessagePage title="There is no such page" message="The address leads nowhere in this yard." back="/" />
}
