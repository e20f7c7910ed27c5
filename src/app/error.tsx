'use client';
import Button from '@mui/material/Button';
import { msg } from '@/core/messages';

export default function Fault({ reset }: { readonly error: Error; readonly reset: () => void }) {
  return (
    <main style={{ padding: 40, maxWidth: 520 }}>
      <h1>{msg`Something broke on this page`}</h1>
      <p style={{ margin: '8px 0 16px' }}>
        {msg`What you typed is kept in this browser. Try again; if it stays broken, open the
          build again from the list of builds.`}
      </p>
      <Button variant="outlined" onClick={reset}>
        {msg`Try again`}
      </Button>
    </main>
  );
}
