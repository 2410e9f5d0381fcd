'use client'

import { useEffect, useState } from 'react'
import { z } from 'zod'

const answerSchema = z.object({ machines: z.array(z.object({ name: z.string() })), models: z.array(z.string()) })
const PAUSE_MS = 150

interface Known {
  readonly machines: readonly string[]
  readonly models: readonly string[]
}

/** Machines and models that were here before, as far as they hold what is typed; none where the server is away. */
export function useKnownMachines(machine: string, model: string): Known {
  const [known, setKnown] = useState<Known>({ machines: [], models: [] })
  useEffect(() => {
    let current = true
    const asked = async (text: string) =>
      answerSchema.parse(await (await fetch(`/api/machines?q=${encodeURIComponent(text)}`)).json())
    const timer = setTimeout(() => {
      void Promise.all([asked(machine), asked(model)])
        .then(([byName, byModel]) => {
          if (current) setKnown({ machines: byName.machines.map((m) => m.name), models: byModel.models })
        })
        .catch(() => null)
    }, PAUSE_MS)
    return () => {
      current = false
      clearTimeout(timer)
    }
  }, [machine, model])
  return known
}
