'use client';
import dynamic from 'next/dynamic';
import { later } from '../later';

// Calendars load where a day is asked for.
export const DayField = dynamic(() => later(() => import('./DayField').then((m) => m.DayField)));
export const HourField = dynamic(() => later(() => import('./DayField').then((m) => m.HourField)));
