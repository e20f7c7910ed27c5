import type { FanPart } from '@/core/part';
import { fanPoints } from './shapes';

const fan = (id: string, name: string, maker: string, price: number, section: 120 | 140, thick: number, rpm: number, min: number, free_m3h: number, shutOff_Pa: number, sound: number, power: number): FanPart => ({
  kind: 'fan', id, name, maker, price_minor: price, tolerance_mm: 0.5, size: [section, section, thick], section_mm: section,
  minSpeed_rpm: min, fullSpeed_rpm: rpm, points: fanPoints(free_m3h, shutOff_Pa), sound_dBA: sound, power_W: power,
});

const WREN = 'Wrenfold', GUST = 'Gustwick';

export const FANS: readonly FanPart[] = [
  fan('fan-wren-120-1200', 'Wren 120, 1,200 rpm', WREN, 1400, 120, 25, 1200, 300, 78, 9.2, 19, 0.9),
  fan('fan-wren-120-1500', 'Wren 120, 1,500 rpm', WREN, 1600, 120, 25, 1500, 350, 96, 14.2, 24.5, 1.3),
  fan('fan-wren-120-2000', 'Wren 120, 2,000 rpm', WREN, 1900, 120, 25, 2000, 450, 119, 24.5, 31.5, 2.2),
  fan('fan-wren-120-30', 'Wren Deep 120, 30 mm thick', WREN, 2600, 120, 30, 2000, 400, 132, 31, 32.5, 3),
  fan('fan-gust-120-3000', 'Gust 120, 3,000 rpm', GUST, 2200, 120, 25, 3000, 800, 176, 55, 43, 5.4),
  fan('fan-gust-120-15', 'Gust Slim 120, 15 mm thick', GUST, 1500, 120, 15, 1800, 500, 88, 14.5, 30, 1.8),
  fan('fan-wren-140-1000', 'Wren 140, 1,000 rpm', WREN, 1500, 140, 25, 1000, 300, 96, 7.4, 17.5, 0.8),
  fan('fan-wren-140-1500', 'Wren 140, 1,500 rpm', WREN, 1900, 140, 25, 1500, 350, 146, 16.5, 28, 1.6),
  fan('fan-gust-140-2200', 'Gust 140, 2,200 rpm', GUST, 2400, 140, 25, 2200, 500, 205, 34, 38, 3.9),
];
