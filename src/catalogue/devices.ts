import type { DevicePart } from '@/core/components';
import type { Vec } from '@/core/geometry';

const SILO = 'Silo Storage',
  MAGPIE = 'Magpie Capture',
  FIREFLY = 'Firefly Lamps',
  WARDEN = 'Warden Controls';

const device = (
  duty: DevicePart['duty'],
  id: string,
  name: string,
  maker: string,
  price: number,
  size: Vec,
  draw_W: number,
  more: Partial<Pick<DevicePart, 'format' | 'connector' | 'hotSpots' | 'includes'>> = {},
): DevicePart => ({
  kind: 'device',
  duty,
  id,
  name,
  maker,
  price_minor: price,
  tolerance_mm: 0.5,
  size,
  draw_W,
  shares: { idle: 0.5, gaming: 0.7, render: 0.9, stress: 1 },
  hotSpots: [],
  ...more,
});

/** A chip on air that gets so many kelvin over the case at its full draw (plausible, no source). */
const onAir = (id: string, name: string, limit_C: number, kelvin: number, draw_W: number) => [
  { id, name, limit_C, interface_KW: kelvin / draw_W / 2, onAir_KW: kelvin / draw_W },
];
const SATA = 'SATA data and power';

/**
 * Drives of the two sizes that cages take (SFF-8301, SFF-8201), cards in a slot, lights and
 * controllers. Parts, makers and figures are invented.
 */
export const DEVICES: readonly DevicePart[] = [
  device('drive', 'dev-silo-8t', 'Silo 8 TB disk, 3.5 in', SILO, 17900, [147, 26.1, 101.6], 8, {
    format: '3.5 in',
    connector: SATA,
    hotSpots: onAir('disk', 'disk', 60, 14, 8),
  }),
  device('drive', 'dev-silo-2t', 'Silo 2 TB drive, 2.5 in', SILO, 13900, [100, 7, 69.85], 4, {
    format: '2.5 in',
    connector: SATA,
    hotSpots: onAir('flash', 'flash', 70, 15, 4),
  }),
  device(
    'extension',
    'dev-magpie-4k',
    'Magpie capture card, four inputs',
    MAGPIE,
    28900,
    [168, 18, 100],
    16,
    { connector: 'x4 slot', hotSpots: onAir('chip', 'capture chip', 90, 38, 16) },
  ),
  device('light', 'dev-firefly-300', 'Firefly strip, 300 mm', FIREFLY, 1490, [300, 6, 12], 5, {
    connector: 'three-pin 5 V',
    includes: [{ what: 'adhesive', quantity: 1 }],
  }),
  device('light', 'dev-firefly-500', 'Firefly strip, 500 mm', FIREFLY, 1990, [500, 6, 12], 8, {
    connector: 'three-pin 5 V',
    includes: [{ what: 'adhesive', quantity: 1 }],
  }),
  device(
    'controller',
    'dev-warden-6',
    'Warden controller, six fans, two probes',
    WARDEN,
    7900,
    [86, 18, 62],
    2,
    { connector: 'USB header, power by SATA', includes: [{ what: 'adhesive', quantity: 1 }] },
  ),
];
