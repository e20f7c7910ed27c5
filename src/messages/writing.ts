import { IntlMessageFormat } from 'intl-messageformat';
import type { Writing } from '@/core/messages';

/**
 * Writes messages in another language.
 * @param tag BCP 47, as `Intl` takes it: decides plural forms and numbers in them
 * @param messages ICU MessageFormat, by the English message
 */
export function createWriting(tag: string, messages: Readonly<Record<string, string>>): Writing {
  const formats = new Map<string, IntlMessageFormat>();
  const formatOf = (message: string, text: string): IntlMessageFormat => {
    let format = formats.get(message);
    if (!format) {
      format = new IntlMessageFormat(text, tag, undefined, { ignoreTag: true });
      formats.set(message, format);
    }
    return format;
  };
  return {
    tag,
    write(message, values) {
      const text = messages[message];
      if (text === undefined) return null;
      return String(formatOf(message, text).format(Object.fromEntries(values.entries())));
    },
  };
}
