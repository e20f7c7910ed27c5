'use client';
import { useEffect } from 'react';

/** Lets the browser keep the app's own files, so that it starts with the server away. */
export function useServiceWorker(): void {
  useEffect(() => {
    // A plain address on the network is not trusted with one: the app is as good, but needs its
    // server. In development files change too often.
    if (!('serviceWorker' in navigator) || process.env.NODE_ENV !== 'production') return;
    navigator.serviceWorker.register('/sw.js').catch((error: unknown) => console.error(error));
  }, []);
}
