/** A text as it is searched: in small letters, without the dots, dashes, stars and spaces that one person types and another does not. */
export const plainWords = (text: string): string => text.toLowerCase().replace(/[·.*\s|-]/g, '')
