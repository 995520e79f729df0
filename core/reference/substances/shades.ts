/** Colours that recur, as word and swatch. */
export const WHITE = ['white', '#f3f2ee'] as const
export const CLEAR = ['colourless', '#f1f1ec'] as const
export const GREY = ['grey', '#9ea2a3'] as const
export const BLACK = ['black', '#2a2826'] as const
export const YELLOW = ['yellow', '#e3c22f'] as const
