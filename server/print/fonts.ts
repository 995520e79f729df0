import { existsSync } from 'node:fs'
import { dirname, join } from 'node:path'

const own = (of: string, weight: string): string => {
  const file = `AtkinsonHyperlegible${of === 'next' ? 'Next' : 'Mono'}_${weight}.ttf`
  return `@expo-google-fonts/atkinson-hyperlegible-${of}/${weight}/${file}`
}
/** The files of each look: the first that has a letter draws it. The last knows nearly every alphabet that is written from left to right. */
export const fontFiles = {
  text: [own('next', '400Regular'), 'dejavu-fonts-ttf/ttf/DejaVuSans.ttf'],
  strong: [own('next', '600SemiBold'), 'dejavu-fonts-ttf/ttf/DejaVuSans-Bold.ttf'],
  figure: [own('mono', '400Regular'), 'dejavu-fonts-ttf/ttf/DejaVuSansMono.ttf'],
} as const
export type Face = keyof typeof fontFiles

/** Beside the built server, or in the packages. */
const built = join(dirname(process.argv[1] ?? ''), 'fonts')
export const fontPath = (file: string): string => {
  const shipped = join(built, file)
  return existsSync(shipped) ? shipped : join(process.cwd(), 'node_modules', file)
}
