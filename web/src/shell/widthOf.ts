const canvas = document.createElement('canvas').getContext('2d');

/** How wide a text is, in pixels. */
export function widthOf(text: string, size: number, bold = false): number {
  if (!canvas) return text.length * size * 0.55;
  canvas.font = `${bold ? 700 : 400} ${size}px Andika`;
  return canvas.measureText(text).width;
}
