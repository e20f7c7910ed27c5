'use client';
import { msg, worded } from '@/core/messages';
import { Press } from './Press';
import Link from 'next/link';
import { ThemeSwitch } from './ThemeSwitch';
import { UnitsSwitch } from './UnitsSwitch';
import styles from './PageHead.module.css';

const PLACES = worded(
  () =>
    [
      { href: '/', name: msg`Builds` },
      { href: '/catalogue', name: msg`Catalogue` },
      { href: '/validation', name: msg`Validation` },
    ] as const,
);

/** Ends the session of whoever said the passphrase. */
async function leave(): Promise<void> {
  await fetch('/api/session', { method: 'DELETE' }).catch(() => null);
  window.location.reload();
}

/** The bar of the pages outside a build; "Log out" where the app is open to others. */
export function PageHead({ at }: { readonly at: '/' | '/catalogue' | '/validation' }) {
  return (
    <header className={styles.bar}>
      <Link href="/" className={styles.name}>
        Zephyron
      </Link>
      <nav aria-label={msg`Main`} className={styles.places}>
        {PLACES.map((p) => (
          <Link
            key={p.href}
            href={p.href}
            prefetch={false}
            aria-current={p.href === at ? 'page' : undefined}
            className={styles.place}
          >
            {p.name}
          </Link>
        ))}
      </nav>
      <span className={styles.gap} />
      <Press className={styles.leave} onClick={() => void leave()}>
        {msg`Log out`}
      </Press>
      <UnitsSwitch className={styles.units} />
      <ThemeSwitch />
    </header>
  );
}
