'use client';
import { useEffect } from 'react';

type Field = HTMLInputElement | HTMLTextAreaElement;

const isField = (element: Element | null): element is Field =>
  element instanceof HTMLInputElement || element instanceof HTMLTextAreaElement;

/** What nobody types into; a chosen file cannot even be said again. */
const NOT_TYPED: ReadonlySet<string> = new Set(['file', 'checkbox', 'radio', 'range']);

/** Whether a field holds what the page, as it was sent, did not. */
const isTyped = (field: Field): boolean =>
  !NOT_TYPED.has(field.type) && field.value !== field.defaultValue;

/** Tells React what a field holds: it hears of a value only where the one it knows is another. */
function sayValue(field: Field, value: string): void {
  const kind = field instanceof HTMLInputElement ? HTMLInputElement : HTMLTextAreaElement;
  const write = Object.getOwnPropertyDescriptor(kind.prototype, 'value')?.set;
  field.value = field.defaultValue;
  write?.call(field, value);
  field.dispatchEvent(new Event('input', { bubbles: true }));
}

/** When a field is looked at after its first input, ms: a piece may wake at once, or when it is loaded. */
const LOOKS_MS = [0, 60, 250, 1000];

/**
 * A piece of the page that wakes late puts a field back to what the page said, and tells nobody of
 * what was typed. So the first input of each field is looked after, and said again where it is gone.
 */
function watchFirstInputs(): () => void {
  const seen = new WeakSet<Field>();
  /** What each field was last given by its user, until it is handed in or left. */
  const typed = new WeakMap<Field, string>();
  const hear = ({ target }: Event): void => {
    if (!(target instanceof Element) || !isField(target) || NOT_TYPED.has(target.type)) return;
    typed.set(target, target.value);
    if (seen.has(target)) return;
    seen.add(target);
    for (const ms of LOOKS_MS) setTimeout(() => void look(target), ms);
  };
  /** Whether it had to be said again. */
  const look = (field: Field): boolean => {
    const value = typed.get(field);
    if (value === undefined || field.value === value || !field.isConnected) return false;
    if (field.value !== field.defaultValue) return false;
    sayValue(field, value);
    return true;
  };
  const forget = (event: Event): void => {
    const { target } = event;
    if (event instanceof KeyboardEvent && !['Enter', 'Escape'].includes(event.key)) return;
    if (!(target instanceof Element) || !isField(target)) return;
    const isSaidAgain = look(target);
    typed.delete(target);
    // Who hears of this one still knows the old value: it comes again once the new one is drawn.
    if (isSaidAgain && event instanceof KeyboardEvent && event.key === 'Enter')
      setTimeout(() => target.dispatchEvent(new KeyboardEvent('keydown', event)));
    if (isSaidAgain && event.type === 'focusout')
      setTimeout(() => target.dispatchEvent(new FocusEvent('focusout', { bubbles: true })));
  };
  document.addEventListener('input', hear, true);
  document.addEventListener('keydown', forget, true);
  document.addEventListener('focusout', forget, true);
  return () => {
    document.removeEventListener('input', hear, true);
    document.removeEventListener('keydown', forget, true);
    document.removeEventListener('focusout', forget, true);
  };
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
    return watchFirstInputs();
  }, []);
}
