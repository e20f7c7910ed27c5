'use client';
import { Press } from '@/view/shared';
import dynamic from 'next/dynamic';
import { useRef, useState } from 'react';
import { msg } from '@/core/messages';
import type { Photos, StepPhoto } from './usePhotos';
import { later } from '@/view/shared/later';
import styles from './StepPhotos.module.css';

// Loaded when there is a photo to show.
const Photo = dynamic(() => later(() => import('./Photo').then((m) => m.Photo)));

/** Photos of one step: how it looked before, which screw came from where. */
export function StepPhotos({ step, photos }: { readonly step: string; readonly photos: Photos }) {
  const input = useRef<HTMLInputElement>(null);
  const [gone, setGone] = useState<string | null>(null);
  const own = photos.all.filter((p) => p.step === step);
  const remove = (photo: StepPhoto): void => {
    photos.remove(photo);
    setGone(photo.waiting ? null : photo.id);
  };
  return (
    <div className={styles.photos}>
      <input
        ref={input}
        type="file"
        accept="image/*"
        capture="environment"
        hidden
        aria-label={msg`Photo of this step`}
        onChange={({ target }) => {
          const [file] = target.files ?? [];
          if (file) photos.take(step, file);
          target.value = '';
        }}
      />
      {own.map((p) => (
        <figure key={p.id} className={styles.photo}>
          <a href={p.address} target="_blank" rel="noreferrer">
            <Photo photo={p} />
          </a>
          <figcaption>
            {p.waiting && <span className="soft">{msg`not sent yet`}</span>}
            <Press className={styles.quiet} onClick={() => remove(p)}>
              {msg`Take away`}
            </Press>
          </figcaption>
        </figure>
      ))}
      <Press className={styles.take} onClick={() => input.current?.click()}>
        {msg`Take a photo`}
      </Press>
      {gone !== null && (
        <p role="status">
          {msg`The photo is taken away.`}{' '}
          <Press
            className={styles.quiet}
            onClick={() => {
              photos.bringBack(gone);
              setGone(null);
            }}
          >
            {msg`Bring it back`}
          </Press>
        </p>
      )}
      {photos.trouble !== null && <p role="alert">{photos.trouble}</p>}
    </div>
  );
}
