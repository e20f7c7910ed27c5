import type { ValidationErrorItem } from 'joi';
import { counted, msg, worded } from '../messages';

/** What a pattern of the schemas asks for, by its name there. */
const PATTERNS: Readonly<Record<string, string>> = worded(() => ({
  'without control characters': msg`without control characters`,
  'letters, digits, dot, dash, colon': msg`letters, digits, dot, dash, colon`,
  'three capital letters': msg`three capital letters`,
  'coolant or component/spot': msg`coolant or component/spot`,
}));

type Wording = (label: string, context: Readonly<Record<string, unknown>>) => string;

const limitOf = (context: Readonly<Record<string, unknown>>): number => Number(context['limit']);
const written = (value: unknown): string =>
  Array.isArray(value) ? value.map(String).join(', ') : String(value);

/**
 * The schema library's rules in words of a message file, by the rule's code. Rules that no schema
 * of ours has stay in the library's own English.
 */
const WORDINGS: Readonly<Record<string, Wording>> = {
  'any.invalid': (label) => msg`${label} contains an invalid value`,
  'any.only': (label, { valids }) =>
    Array.isArray(valids) && valids.length === 1
      ? msg`${label} must be [${written(valids)}]`
      : msg`${label} must be one of [${written(valids)}]`,
  'any.required': (label) => msg`${label} is required`,
  'any.unknown': (label) => msg`${label} is not allowed`,
  'array.base': (label) => msg`${label} must be an array`,
  'array.length': (label, c) => msg`${label} must contain ${limitOf(c)} items`,
  'array.max': (label, c) => msg`${label} must contain less than or equal to ${limitOf(c)} items`,
  'array.min': (label, c) => msg`${label} must contain at least ${limitOf(c)} items`,
  'array.unique': (label) => msg`${label} contains a duplicate value`,
  'boolean.base': (label) => msg`${label} must be a boolean`,
  'number.base': (label) => msg`${label} must be a number`,
  'number.greater': (label, c) => msg`${label} must be greater than ${limitOf(c)}`,
  'number.infinity': (label) => msg`${label} cannot be infinity`,
  'number.integer': (label) => msg`${label} must be an integer`,
  'number.less': (label, c) => msg`${label} must be less than ${limitOf(c)}`,
  'number.max': (label, c) => msg`${label} must be less than or equal to ${limitOf(c)}`,
  'number.min': (label, c) => msg`${label} must be greater than or equal to ${limitOf(c)}`,
  'number.positive': (label) => msg`${label} must be a positive number`,
  'number.unsafe': (label) => msg`${label} must be a safe number`,
  'object.base': (label, { type }) => msg`${label} must be of type ${written(type)}`,
  'object.max': (label, c) =>
    msg`${label} must have less than or equal to ${counted(limitOf(c), '# key', '# keys')}`,
  'object.min': (label, c) =>
    msg`${label} must have at least ${counted(limitOf(c), '# key', '# keys')}`,
  'object.unknown': (label) => msg`${label} is not allowed`,
  'string.base': (label) => msg`${label} must be a string`,
  'string.empty': (label) => msg`${label} is not allowed to be empty`,
  'string.max': (label, c) =>
    msg`${label} length must be less than or equal to ${limitOf(c)} characters long`,
  'string.min': (label, c) => msg`${label} length must be at least ${limitOf(c)} characters long`,
  'string.pattern.name': (label, { value, name }) =>
    msg`${label} with value ${written(value)} fails to match the
      ${PATTERNS[written(name)] ?? written(name)} pattern`,
};

/** What is wrong, in the language shown; at most 240 characters. */
export function issueWords({ type, message, context }: ValidationErrorItem): string {
  const wording = WORDINGS[type];
  const words = wording?.(String(context?.label ?? ''), context ?? {}) ?? message;
  return words.slice(0, 240);
}
