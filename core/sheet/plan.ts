import type { OperationPlan } from '#core/vessel'
import type { WayOut } from './ways-out'

/** How a product is won. */
export const ways = [
  'crystallise',
  'take to dryness',
  'throw down',
  'salt out',
  'heat dry',
  'distil to dryness',
  'leave in the pot',
  'own',
] as const
export type Way = (typeof ways)[number]

/** The plan as it is typed and saved: every measured value is the chemist's own text. */
export interface Plan {
  readonly stages: readonly StagePlan[]
  readonly ambient?: { readonly temperature?: string; readonly pressure?: string }
  readonly room?: { readonly volume?: string }
}

export interface StagePlan {
  readonly id: string
  readonly equation: string
  readonly reagents: readonly ReagentPlan[]
  readonly product: { readonly species: string; readonly form?: string }
  readonly target?: { readonly mass: string; readonly yield?: string }
  readonly yield?: string
  readonly name?: string
  /** The product is not isolated: the pot goes on to the next stage. */
  readonly inPot?: boolean
  /** Which of several independent reactions run, and in what shares of the product. */
  readonly mix?: readonly { readonly equation: string; readonly share: string }[]
  /** Water put in as solvent, and water boiled off, by mass or volume. */
  readonly solvent?: string
  /** Solvents by name; water among them is what `solvent` says shortly. */
  readonly solvents?: readonly { readonly name: string; readonly volume?: string; readonly mass?: string }[]
  /** How the product is won; proposed where it is left out. */
  readonly way?: Way
  readonly evaporate?: string
  /** Temperature it is kept at. */
  readonly at?: string
  readonly vessel?: string
  /** Time over which what makes the gas is added. */
  readonly addition?: string
  /** Heat the bath takes away, W. */
  readonly bath?: string
  readonly trap?: { readonly reagent: string; readonly volume: string; readonly concentration: string }
  /** How the product is won from the vessel, where the chemist says: what is proposed by its way otherwise. */
  readonly operations?: readonly OperationPlan[]
}

export interface ReagentPlan {
  readonly species: string
  readonly supply: SupplyPlan
  readonly charge?: ChargePlan
  /** Where its excess goes, where the chemist overrules the proposal. */
  readonly wayOut?: WayOut
}

export type SupplyPlan =
  | {
      readonly kind: 'solid'
      /** What its bottle says: lot or number. */
      readonly lot?: string
      /** The bottle of the lab's shelf that it comes from, by its code: what is said of its strength is one source of error wherever it is used. */
      readonly bottle?: string
      readonly formula?: string
      readonly assay?: string
      readonly moisture?: string
      /** What is neither formula nor moisture: stays as residue, or dissolves unchanged. */
      readonly rest?: 'residue' | 'soluble'
    }
  | {
      readonly kind: 'solution'
      readonly lot?: string
      readonly bottle?: string
      /** mol/L, % w/w, % w/v, g/L, or volumes such as `1 + 3`. */
      readonly concentration: string
      readonly density?: string
      /** The stock that volumes dilute. */
      readonly of?: string
    }
  | {
      readonly kind: 'liquid'
      readonly lot?: string
      readonly bottle?: string
      readonly density?: string
      readonly assay?: string
    }
  | { readonly kind: 'gas'; readonly lot?: string; readonly bottle?: string }
  | {
      readonly kind: 'stage'
      readonly from: string
      /** Handed on wet, with so much water in it, as a mass fraction of the whole; dry where it is left out. */
      readonly wet?: string
      /** Of all that the stage made, pot or crop, only so much goes here; all of it where it is left out. */
      readonly share?: string
    }

export type ChargePlan =
  | { readonly mass: string }
  | { readonly volume: string }
  | { readonly amount: string }
  | { readonly equivalents: number }
  | { readonly excess: string }
