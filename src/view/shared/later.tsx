'use client';
import { useEffect, useState, type ComponentType } from 'react';
import { msg } from '@/core/messages';
import { untilLoaded } from './untilLoaded';
import styles from './later.module.css';

/**
 * Loads a part of the page that comes when it is wanted. Without the server something stands in for
 * it that says so, and gives way to it when the server is back: whatever else is shown goes on.
 */
export const later = <P extends object>(
  load: () => Promise<ComponentType<P>>,
): Promise<ComponentType<P>> => load().catch(() => standInFor(untilLoaded(load)));

function standInFor<P extends object>(loaded: Promise<ComponentType<P>>): ComponentType<P> {
  // Whoever shows it hears of a fault.
  loaded.catch(() => undefined);
  return function StandIn(props: P) {
    const [Whole, setWhole] = useState<ComponentType<P> | null>(null);
    const [fault, setFault] = useState<unknown>(null);
    useEffect(() => {
      loaded.then((whole) => setWhole(() => whole), setFault);
    }, []);
    if (fault !== null) throw fault;
    if (Whole) return <Whole {...props} />;
    return (
      <p role="status" className={styles.waits}>
        {msg`The server does not answer. What you asked for comes when it does; what you do is kept
          in this browser.`}
      </p>
    );
  };
}
