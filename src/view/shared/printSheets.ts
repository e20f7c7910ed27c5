/** A heading with its lists, printed under the drawings. */
export interface PrintText {
  readonly title: string;
  readonly steps: readonly string[];
  readonly cautions?: readonly string[];
}

/**
 * Drawings in a frame of their own, so that nothing scales them, each on a page, with steps and
 * cautions behind.
 */
export function printSheets(
  title: string,
  drawings: readonly string[],
  texts: readonly PrintText[],
  margin_mm = 0,
): void {
  const frame = document.createElement('iframe');
  frame.style.cssText = 'position:fixed;width:0;height:0;border:0';
  document.body.append(frame);
  const page = frame.contentDocument;
  if (!page) return;
  page.title = title;
  const style = page.createElement('style');
  style.textContent = `@page{size:A4;margin:${margin_mm}mm}body{font:10pt sans-serif;margin:0}svg{display:block}svg.page{break-after:page}section{padding:${margin_mm > 0 ? 0 : 14}mm;break-inside:avoid}li{margin:1mm 0}`;
  page.head.append(style);
  for (const drawing of drawings) {
    const sheet = page.importNode(
      new DOMParser().parseFromString(drawing, 'image/svg+xml').documentElement,
      true,
    );
    if (margin_mm === 0) sheet.setAttribute('class', 'page');
    page.body.append(sheet);
  }
  for (const t of texts) {
    const part = page.createElement('section'),
      head = page.createElement('h2'),
      list = page.createElement('ol');
    head.textContent = t.title;
    for (const s of t.steps) {
      const li = page.createElement('li');
      li.textContent = s;
      list.append(li);
    }
    part.append(head, list);
    for (const c of t.cautions ?? []) {
      const p = page.createElement('p');
      p.textContent = c;
      part.append(p);
    }
    page.body.append(part);
  }
  frame.contentWindow?.print();
  setTimeout(() => frame.remove(), 60_000);
}
