import type { SFCTemplateCompileOptions } from 'vue/compiler-sfc'

type NodeTransform = NonNullable<NonNullable<SFCTemplateCompileOptions['compilerOptions']>['nodeTransforms']>[number]
const INTERPOLATION = 5
const COMPOUND = 8

/**
 * Compiles every `{{ value }}` of a template to `$told(value)`, so that numbers are shown with the decimal sign that was chosen, in one place rather than at each. Formulas are left alone:
 * CuSO4·0.5H2O is no measured value.
 */
export const tellNumbers: NodeTransform = (node, context) => {
  if (node.type !== INTERPOLATION || /\/components\/(?:formula|equation)\/(?!RichText)/.test(context.filename)) return
  node.content = {
    type: COMPOUND,
    loc: node.content.loc,
    children: ['_ctx.$told(', node.content, ')'],
  } as typeof node.content
}
