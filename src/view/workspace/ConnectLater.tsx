'use client';
import dynamic from 'next/dynamic';
import { later } from '@/view/shared/later';

/** The dialog that proposes loops, loaded when it is first opened. */
export const ConnectDialog = dynamic(() =>
  later(() => import('./ConnectDialog').then((m) => m.ConnectDialog)),
);
