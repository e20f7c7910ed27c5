import { declaredInputs } from './selectors';

/**
 * The flow as text: each result and what it is worked out from, in order. Drawn from the selectors
 * themselves.
 */
export function flowPicture(): string {
  const inputs = declaredInputs();
  const width = Math.max(...[...inputs.keys()].map((name) => name.length));
  const lines = [...inputs].map(([name, from]) => {
    const sources = from.length > 0 ? `← ${from.join(' · ')}` : '← required';
    return `${name.padEnd(width)}  ${sources}`;
  });
  return lines.join('\n');
}
