'use client';
import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import { useState, type FormEvent } from 'react';
import { msg } from '@/core/messages';
import styles from './Enter.module.css';

/** Where the passphrase is said that whoever opened the app to others has set. */
export function Enter() {
  const [passphrase, setPassphrase] = useState('');
  const [trouble, setTrouble] = useState<string | null>(null);
  const [isAsking, setAsking] = useState(false);
  const enter = async (e: FormEvent): Promise<void> => {
    e.preventDefault();
    setAsking(true);
    setTrouble(null);
    try {
      const response = await fetch('/api/session', {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify({ passphrase }),
      });
      if (response.ok) {
        // The whole page anew: what it shows depends on who asks.
        window.location.replace(new URL('/', window.location.href));
        return;
      }
      const { error } = (await response.json()) as { readonly error?: string };
      setTrouble(error ?? msg`This is not the passphrase.`);
    } catch {
      setTrouble(msg`The server cannot be reached.`);
    }
    setAsking(false);
  };
  return (
    <main className={styles.page}>
      <form onSubmit={(e) => void enter(e)} className={styles.form}>
        <h1>Zephyron</h1>
        <p className="soft">{msg`These builds are shared with those who know the passphrase.`}</p>
        <TextField
          type="password"
          label={msg`Passphrase`}
          autoComplete="current-password"
          autoFocus
          value={passphrase}
          onChange={(e) => setPassphrase(e.target.value)}
          error={trouble !== null}
          helperText={trouble}
        />
        <Button type="submit" variant="contained" disabled={isAsking || passphrase === ''}>
          {msg`Enter`}
        </Button>
      </form>
    </main>
  );
}
