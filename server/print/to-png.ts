import sharp from 'sharp'
import { LABEL } from './label'

/** Dots to the inch that label printers have. */
export const DOTS = [203, 300] as const

/** A drawing of a label as the picture that a label printer takes: as many dots as it prints, in four greys. */
export function labelPng(svg: Uint8Array, dots: number): Promise<Buffer> {
  const scale = dots / 72
  return sharp(svg, { density: dots })
    .resize(Math.round(LABEL.width * scale), Math.round(LABEL.height * scale), { fit: 'fill' })
    .flatten({ background: '#ffffff' })
    .greyscale()
    .withMetadata({ density: dots })
    .png({ palette: true, colours: 4 })
    .toBuffer()
}
