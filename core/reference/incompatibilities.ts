/**
 * What must not meet by accident: two kinds of substance, and what they make. Common laboratory knowledge, no source; it is not
 * complete, and a site's rules come first. `kind` words are told by `core/species`.
 */
export type DangerKind =
  | 'acid' | 'strong acid' | 'base' | 'cyanide' | 'sulfide' | 'sulfite' | 'hypochlorite' | 'chlorate' | 'permanganate' | 'oxidiser'
  | 'reductant' | 'organic' | 'ammonia' | 'ammonium' | 'silver' | 'chloride' | 'nitrite' | 'azide' | 'peroxide' | 'active metal' | 'carbonate' | 'conc. sulfuric acid'

export const incompatibilities: readonly { readonly one: DangerKind; readonly other: DangerKind; readonly makes: string }[] = [
  { one: 'cyanide', other: 'acid', makes: 'hydrogen cyanide, which kills within minutes' },
  { one: 'sulfide', other: 'acid', makes: 'hydrogen sulfide, poisonous and numbing the nose' },
  { one: 'sulfite', other: 'acid', makes: 'sulfur dioxide' },
  { one: 'hypochlorite', other: 'acid', makes: 'chlorine' },
  { one: 'hypochlorite', other: 'ammonia', makes: 'chloramines and, with more, explosive nitrogen trichloride' },
  { one: 'hypochlorite', other: 'ammonium', makes: 'chloramines and, with more, explosive nitrogen trichloride' },
  { one: 'chlorate', other: 'strong acid', makes: 'chlorine dioxide, which explodes' },
  { one: 'chlorate', other: 'reductant', makes: 'a mixture that can go off by rubbing' },
  { one: 'chlorate', other: 'ammonium', makes: 'ammonium chlorate, which explodes by itself' },
  { one: 'permanganate', other: 'conc. sulfuric acid', makes: 'manganese heptoxide, which explodes' },
  { one: 'permanganate', other: 'chloride', makes: 'chlorine, once it is acid' },
  { one: 'oxidiser', other: 'organic', makes: 'a mixture that can catch fire' },
  { one: 'oxidiser', other: 'reductant', makes: 'much heat, and sometimes fire' },
  { one: 'silver', other: 'ammonia', makes: 'on standing, a black solid that explodes when touched: make fresh, acidify at once after use' },
  { one: 'nitrite', other: 'acid', makes: 'nitrogen oxides' },
  { one: 'nitrite', other: 'ammonium', makes: 'ammonium nitrite, which can explode when warm' },
  { one: 'azide', other: 'acid', makes: 'hydrazoic acid, poisonous and explosive' },
  { one: 'peroxide', other: 'organic', makes: 'organic peroxides, which explode (acetone above all)' },
  { one: 'peroxide', other: 'active metal', makes: 'oxygen and heat at once' },
  { one: 'ammonium', other: 'base', makes: 'ammonia' },
]
