'use client';
import Button from '@mui/material/Button';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { TroublePage } from '@/view/shared';
import { msg } from '@/core/messages';

/** The page of a build that was deleted: it can be put back. */
export function BinnedBuild({ id }: { readonly id: string }) {
  const router = useRouter();
  const [failed, setFailed] = useState(false);
  const putBack = async (): Promise<void> => {
    const response = await fetch(`/api/bin/build/${encodeURIComponent(id)}`, {
      method: 'POST',
    }).catch(() => null);
    setFailed(!response?.ok);
    if (response?.ok) router.refresh();
  };
  return (
    <TroublePage title={msg`This build is in the bin`}>
      <p>{msg`It was deleted within the last 30 days and can be put back as it was.`}</p>
      <p>
        <Button variant="outlined" onClick={() => void putBack()}>
          {msg`Put it back`}
        </Button>
      </p>
      {failed && <p role="alert">{msg`The server did not do it. Try again in a moment.`}</p>}
    </TroublePage>
  );
}
