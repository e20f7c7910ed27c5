'use client';
import { useRef } from 'react';
import { useEditorNow } from './EditorProvider';

/**
 * A figure under the hand: a held key goes on from what its last stroke asked for, though the build
 * does not show that yet. `shown` is what it shows.
 */
export function useUnderHand<T>(shown: T): { now(): T; put(next: T): void } {
  const editorNow = useEditorNow();
  const asked = useRef<{ readonly value: T } | null>(null);
  return {
    now: () => {
      const { latest, design } = editorNow();
      return latest !== design && asked.current ? asked.current.value : shown;
    },
    put: (value) => {
      asked.current = { value };
    },
  };
}
