import * as z from 'zod'
import { roles, type Role } from '#core/people'

/** A line that people write: without control characters, and not endless. */
export const lineOf = (longest: number) =>
  z
    .string()
    .trim()
    .min(1)
    .max(longest)
    .refine(
      text => !/[\u0000-\u001f\u007f]/.test(text) && text.isWellFormed(),
      'It holds a character that no name has.',
    )
export const roleOf = z.enum(Object.keys(roles) as [Role, ...Role[]])
export const mark = z.string().regex(/^[\w-]{20,100}$/)
/** A sign-in name: one word of letters, digits and a few signs, so that it can be said aloud. */
export const signName = z
  .string()
  .trim()
  .regex(/^[\p{L}\p{N}][\p{L}\p{N}._-]{1,39}$/u, 'A sign-in name is one word of 2 to 40 letters, digits, dots, dashes.')
export const address = z.email().max(200)
