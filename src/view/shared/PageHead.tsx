import Link from 'next/link';
import { ThemeSwitch } from './ThemeSwitch';
import styles from './PageHead.module.css';

const PLACES = [
  { href: '/', name: 'Builds' },
  { href: '/stores', name: 'Stores' },
  { href: '/proof', name: 'Proof' },
] as const;

/** The bar of the pages outside a build. */
export function PageHead({ at }: { readonly at: (typeof PLACES)[number]['name'] }) {
  return (
    <header className={styles.bar}>
      <Link href="/" className={styles.name}>
        Zephyron
      </Link>
      <nav aria-label="Rooms" className={styles.places}>
        {PLACES.map((p) => (
          <Link
            key={p.href}
            href={p.href}
            prefetch={false}
            aria-current={p.name === at ? 'page' : undefined}
            className={styles.place}
          >
            {p.name}
          </Link>
        ))}
      </nav>
      <span className={styles.gap} />
      <ThemeSwitch />
    </header>
  );
}
