'use client';
import dynamic from 'next/dynamic';

/** The dialog that proposes loops, loaded when it is first opened. */
export const ConnectDialog = dynamic(() => import('./ConnectDialog').then((m) => m.ConnectDialog));
