import { saveFile } from './save-file.ts';

/** What lines and words are drawn with, so that the file shows the same without the page. */
const LINE = ['fill', 'stroke', 'stroke-width', 'stroke-dasharray', 'stroke-linejoin'];
const WORDS = ['fill', 'stroke', 'stroke-width', 'paint-order', 'font-family', 'font-size', 'font-weight'];

/**
 * Drawings as one SVG file, side by side, on white.
 *
 * @param drawn  selector of them
 * @param hatch  selector of the pattern that they are filled with, where they are
 */
export function saveDrawing(drawn: string, name: string, hatch?: string): void {
  const drawings = [...document.querySelectorAll<SVGSVGElement>(drawn)];
  if (drawings.length === 0) return;
  let x = 0;
  const height = Math.max(...drawings.map((d) => d.viewBox.baseVal.height));
  const parts = drawings.map((drawing) => {
    const copy = drawing.cloneNode(true) as SVGSVGElement;
    const live = [...drawing.querySelectorAll('*')];
    for (const [i, node] of [...copy.querySelectorAll('*')].entries()) {
      const style = getComputedStyle(live[i]!);
      const properties = node instanceof SVGTextElement ? WORDS : node instanceof SVGGeometryElement ? LINE : [];
      for (const property of properties) node.setAttribute(property, style.getPropertyValue(property));
      for (const attribute of ['class', 'role', 'tabindex', 'aria-label']) node.removeAttribute(attribute);
    }
    const { width } = drawing.viewBox.baseVal;
    const part = `<g transform="translate(${x} ${height - drawing.viewBox.baseVal.height})">${[...copy.children].map((c) => new XMLSerializer().serializeToString(c)).join('')}</g>`;
    x += width + 24;
    return part;
  });
  const defs = hatch ? (document.querySelector(hatch)?.outerHTML ?? '') : '';
  saveFile(
    name,
    'image/svg+xml',
    `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${x} ${height}"><defs>${defs}</defs><rect width="100%" height="100%" fill="#fff"/>${parts.join('')}</svg>`,
  );
}
