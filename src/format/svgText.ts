/** A number as drawings write it: no more than a thousandth. */
export const num = (v: number): string => String(Math.round(v * 1000) / 1000);
/** Text as XML takes it. */
export const xml = (s: string): string =>
  s.replace(
    /[&<>"]/g,
    (c) => ({ '&': '&amp;', '<': '&lt;', '>': '&gt;', '"': '&quot;' })[c] as string,
  );
