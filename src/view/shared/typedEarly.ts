'use client';
import { useEffect } from 'react';

type Field = HTMLInputElement | HTMLTextAreaElement;

const isField = (element: Element | null): element is Field =>
  element instanceof HTMLInputElement || element instanceof HTMLTextAreaElement;

/** Whether a field holds what the page, as it was sent, did not. */
const isTyped = (field: Field): boolean =>
  field.type !== 'file' && field.type !== 'checkbox' && field.value !== field.defaultValue;

/** Tells React what a field holds: it hears of a value only where the one it knows is another. */
function sayValue(field: Field, value: string): void {
  const kind = field instanceof HTMLInputElement ? HTMLInputElement : HTMLTextAreaElement;
  const write = Object.getOwnPropertyDescriptor(kind.prototype, 'value')?.set;
  field.value = field.defaultValue;
  write?.call(field, value);
  field.dispatchEvent(new Event('input', { bubbles: true }));
}

/**
 * Passes on what was typed into the field in focus before the page was awake; React would put the
 * field back to what it knows with the next change. Fields out of focus are left alone: a browser
 * fills them again by itself when a page is loaded anew.
 */
export function useTypedEarly(): void {
  useEffect(() => {
    const field = document.activeElement;
    if (isField(field) && isTyped(field)) sayValue(field, field.value);
  }, []);
}
