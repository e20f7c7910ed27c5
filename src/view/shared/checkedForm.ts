'use client';
import type Joi from 'joi';
import type { FieldValues, Resolver } from 'react-hook-form';
import { msg } from '@/core/messages';

const MOST_LETTERS = 80;

/** The name of a build or a part. `empty`: what is said of none. */
export const nameRule = (joi: typeof Joi, empty: string): Joi.StringSchema =>
  joi
    .string()
    .trim()
    .max(MOST_LETTERS)
    .required()
    .messages({
      'string.empty': empty,
      'string.max': msg`A name has at most ${MOST_LETTERS} letters.`,
    });

/**
 * Checks a form by its Joi schema, with the schema's own words. Joi is loaded when a form is first
 * sent, for it is large. Where it cannot be loaded the form is sent as it is: the server checks
 * everything once more.
 *
 * @param schemaOf makes the schema, in the language shown
 */
export function checkedBy<T extends FieldValues>(
  schemaOf: (joi: typeof Joi) => Joi.ObjectSchema<T>,
): Resolver<T> {
  return async (values, context, options) => {
    const loaded = await Promise.all([
      import('@hookform/resolvers/joi'),
      import('joi'),
    ] as const).catch(() => null);
    if (loaded === null) return { values, errors: {} };
    const [{ joiResolver }, { default: joi }] = loaded;
    return joiResolver(schemaOf(joi), { allowUnknown: true })(values, context, options as never);
  };
}
