'use client';
import Image from 'next/image';
import { msg } from '@/core/messages';
import { formatDate } from '@/core/units';
import type { StepPhoto } from './usePhotos';

/** One photo of a step, small. */
export function Photo({ photo }: { readonly photo: StepPhoto }) {
  return (
    <Image
      src={photo.address}
      alt={msg`Taken ${formatDate(photo.takenAt, 'moment')}`}
      width={96}
      height={72}
      unoptimized
    />
  );
}
