import { parse, TYPE, type MessageFormatElement } from '@formatjs/icu-messageformat-parser';
import { printAST } from '@formatjs/icu-messageformat-parser/printer.js';

/** How much longer than English another language is reckoned to be. */
const LONGER = 1.4;

const PLAIN = 'aceginosuyzACEGINOSUYZ';
const ACCENTED = 'áçéğíñóšúýžÁÇÉĞÍÑÓŠÚÝŽ';
const VOWEL = /[aeiouyAEIOUY]/;

const accented = (letter: string): string => {
  const at = PLAIN.indexOf(letter);
  return at < 0 ? letter : (ACCENTED[at] as string);
};

/** A text accented and 40 % longer: every vowel twice, what is still missing as tildes at its end. */
export function pseudoText(text: string): string {
  const letters = [...text].filter((c) => /\p{L}/u.test(c)).length;
  let more = Math.ceil(letters * (LONGER - 1));
  const longer = [...text]
    .map((c) => {
      if (!VOWEL.test(c) || more === 0) return accented(c);
      more--;
      return accented(c) + accented(c.toLowerCase());
    })
    .join('');
  return longer.replace(/(\p{L}[^\p{L}]*)$/u, (end) => end[0] + '~'.repeat(more) + end.slice(1));
}

function pseudoElements(elements: readonly MessageFormatElement[]): MessageFormatElement[] {
  return elements.map((element) => {
    if (element.type === TYPE.literal) return { ...element, value: pseudoText(element.value) };
    if (element.type !== TYPE.plural) return element;
    const options = Object.entries(element.options).map(([form, option]) => [
      form,
      { ...option, value: pseudoElements(option.value) },
    ]);
    return { ...element, options: Object.fromEntries(options) };
  });
}

/** A message of the pseudo-language en-XA; its places and plural forms stay. */
export const pseudoMessage = (message: string): string =>
  printAST(pseudoElements(parse(message, { ignoreTag: true })));
