/** The plan as it is typed and saved: every measured value is the chemist's own text. */
export interface Plan {
  readonly stages: readonly StagePlan[]
  readonly ambient?: { readonly temperature?: string; readonly pressure?: string }
}

export interface StagePlan {
  readonly id: string
  readonly equation: string
  readonly reagents: readonly ReagentPlan[]
  readonly product: { readonly species: string; readonly form?: string }
  readonly target?: { readonly mass: string; readonly yield?: string }
  readonly yield?: string
}

export interface ReagentPlan {
  readonly species: string
  readonly supply: SupplyPlan
  readonly charge?: ChargePlan
}

export type SupplyPlan =
  | { readonly kind: 'solid'; readonly formula?: string; readonly assay?: string }
  | { readonly kind: 'solution'; readonly concentration: string; readonly density?: string }
  | { readonly kind: 'liquid'; readonly density?: string; readonly assay?: string }
  | { readonly kind: 'gas' }
  | { readonly kind: 'stage'; readonly from: string }

export type ChargePlan =
  | { readonly mass: string }
  | { readonly volume: string }
  | { readonly amount: string }
  | { readonly equivalents: number }
  | { readonly excess: string }
