'use client';
import dynamic from 'next/dynamic';

// Calendars load where a day is asked for.
export const DayField = dynamic(() => import('./DayField').then((m) => m.DayField));
export const HourField = dynamic(() => import('./DayField').then((m) => m.HourField));
