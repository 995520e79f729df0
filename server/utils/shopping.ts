import type { Knex } from 'knex'
import { shoppingList, type ToBuy } from '#core/shelf'
import type { Access } from '../access/access'
import { bottlesFor, openNeeds } from '../db/bottles'

/** ms. */
const LONGEST = 5000

/** What the planned batches of a lab lack, and what of its shelf is low. */
export async function shoppingFor(db: Knex, access: Access): Promise<{ list: ToBuy[]; isPending: boolean }> {
  const isPending = await freshenAll(access, LONGEST)
  const needs = await openNeeds(db, access)
  return {
    list: shoppingList(needs, await bottlesFor(db, access, needs), new Date().toISOString().slice(0, 10)),
    isPending,
  }
}
