'use client';
import { useEffect } from 'react';
import { create } from 'zustand';

/** Whether the stage that is shown answers: not in the page as sent, nor while it is being loaded. */
export const useAwake = create(() => ({ isAwake: false }));

/** Says so while the stage that calls it is there. */
export function useStageAwake(): void {
  useEffect(() => {
    useAwake.setState({ isAwake: true });
    return () => useAwake.setState({ isAwake: false });
  }, []);
}
