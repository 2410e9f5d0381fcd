import { z } from 'zod'
import { askServer, UNREACHED } from '@/ui/ask-server'

const answerSchema = z.union([z.object({ id: z.string() }), z.object({ message: z.string() })])

/** Asks the server for a new job. @returns its id, or why there is none, in words */
export const askForId = async (
  path: string,
  body: unknown,
): Promise<{ readonly id: string } | { readonly message: string }> =>
  (await askServer(path, body, answerSchema)) ?? { message: UNREACHED }
