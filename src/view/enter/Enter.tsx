'use client';
import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import { useState } from 'react';
import { useForm } from 'react-hook-form';
import { checkedBy } from '@/view/shared';
import { msg } from '@/core/messages';
import styles from './Enter.module.css';

const MOST_LETTERS = 500;

interface Form {
  passphrase: string;
}

const CHECKED = checkedBy<Form>((joi) =>
  joi.object({
    passphrase: joi
      .string()
      .max(MOST_LETTERS)
      .required()
      .messages({
        'string.empty': msg`Say the passphrase.`,
        'string.max': msg`A passphrase has at most ${MOST_LETTERS} letters.`,
      }),
  }),
);

/** Where the passphrase is said that whoever opened the app to others has set. */
export function Enter() {
  const { register, handleSubmit, formState } = useForm<Form>({
    resolver: CHECKED,
    defaultValues: { passphrase: '' },
  });
  const { ref, ...field } = register('passphrase');
  const [refused, setRefused] = useState<string | null>(null);
  const trouble = formState.errors.passphrase?.message ?? refused;
  const enter = handleSubmit(async ({ passphrase }) => {
    setRefused(null);
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
      setRefused(error ?? msg`This is not the passphrase.`);
    } catch {
      setRefused(msg`The server cannot be reached.`);
    }
  });
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
          {...field}
          inputRef={ref}
          error={trouble !== null}
          helperText={trouble}
        />
        <Button type="submit" variant="contained" disabled={formState.isSubmitting}>
          {msg`Enter`}
        </Button>
      </form>
    </main>
  );
}
