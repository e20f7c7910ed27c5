/** A chart or table that the open stage shows, under the name that stands over it. */
export interface Shown<E extends Element> {
  readonly name: string;
  readonly element: E;
}

const main = (): Element | null => document.querySelector('main');

/** The heading that stands over an element: of its own section, else of the page. */
function headingOver(element: Element): string {
  for (let at: Element | null = element; at; at = at.parentElement) {
    const heading = at.querySelector(':scope > h2, :scope > div > h2, :scope > h1');
    if (heading?.textContent) return heading.textContent.trim();
  }
  return 'Zephyron';
}

const named = <E extends Element>(elements: Iterable<E>): readonly Shown<E>[] =>
  [...elements].map((element) => ({ name: headingOver(element), element }));

export const tablesOnPage = (): readonly Shown<HTMLTableElement>[] =>
  named(main()?.querySelectorAll<HTMLTableElement>('table') ?? []);

/** Charts are pictures with axes; signs and drawings of parts are none. */
export const chartsOnPage = (): readonly Shown<SVGSVGElement>[] =>
  named(main()?.querySelectorAll<SVGSVGElement>('svg.recharts-surface') ?? []).filter(
    ({ element }) => element.clientWidth > 120,
  );

/** A table as spreadsheets take it from the clipboard: cells by tabs, rows by lines. */
export function tableToTsv(table: HTMLTableElement): string {
  return [...table.rows]
    .map((row) =>
      [...row.cells]
        .map((cell) => {
          const field = cell.querySelector<HTMLInputElement>('input, select');
          const text = field && field.type !== 'checkbox' ? field.value : (cell.textContent ?? '');
          return text.replace(/\s+/g, ' ').trim();
        })
        .join('\t'),
    )
    .join('\n');
}

/** What a chart is drawn with: kept in the file, which has no style sheet of ours. */
const KEPT = [
  'fill',
  'fill-opacity',
  'stroke',
  'stroke-width',
  'stroke-dasharray',
  'stroke-opacity',
  'opacity',
  'font-size',
  'font-weight',
  'font-family',
  'text-anchor',
] as const;

/** A chart as SVG of its own, with its colours in it and the paper behind. */
export function chartToSvg(chart: SVGSVGElement): string {
  const copy = chart.cloneNode(true) as SVGSVGElement;
  const from = [chart, ...chart.querySelectorAll('*')],
    to = [copy, ...copy.querySelectorAll('*')];
  from.forEach((element, i) => {
    const style = getComputedStyle(element);
    for (const property of KEPT) {
      const value = style.getPropertyValue(property);
      if (value) to[i]?.setAttribute(property, value);
    }
    to[i]?.removeAttribute('class');
  });
  const { clientWidth: w, clientHeight: h } = chart;
  copy.setAttribute('xmlns', 'http://www.w3.org/2000/svg');
  copy.setAttribute('width', String(w));
  copy.setAttribute('height', String(h));
  const paper = document.createElementNS('http://www.w3.org/2000/svg', 'rect');
  paper.setAttribute('width', String(w));
  paper.setAttribute('height', String(h));
  paper.setAttribute('fill', getComputedStyle(document.body).backgroundColor);
  copy.insertBefore(paper, copy.firstChild);
  return `${new XMLSerializer().serializeToString(copy)}\n`;
}

/** Dots of a picture for each of the page. */
const SHARPER = 3;

/** The same as a picture. */
export async function chartToPng(chart: SVGSVGElement): Promise<Blob | null> {
  const url = URL.createObjectURL(new Blob([chartToSvg(chart)], { type: 'image/svg+xml' }));
  try {
    const picture = new Image();
    picture.src = url;
    await picture.decode();
    const canvas = document.createElement('canvas');
    canvas.width = chart.clientWidth * SHARPER;
    canvas.height = chart.clientHeight * SHARPER;
    canvas.getContext('2d')?.drawImage(picture, 0, 0, canvas.width, canvas.height);
    return await new Promise((resolve) => canvas.toBlob(resolve, 'image/png'));
  } finally {
    URL.revokeObjectURL(url);
  }
}
