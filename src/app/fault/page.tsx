import { Elsewhere } from '@/screens/fault/Elsewhere'

export default function FaultPage() {
  return <Elsewhere />
}
