import type { RadiatorPart } from '@/core/part';
import { radiator } from './shapes';

const TARN = 'Tarnhow', FELL = 'Fellgate', MILL = 'Millrace Works', BARE = 'Baregate Metal';

export const RADIATORS: readonly RadiatorPart[] = [
  radiator({ id: 'rad-tarn-120-30', name: 'Tarn 120, 30 mm', maker: TARN, price: 3900, section: 120, sections: 1, thick: 30, fpi: 16 }),
  radiator({ id: 'rad-tarn-240-27', name: 'Tarn Slim 240, 27 mm', maker: TARN, price: 4900, section: 120, sections: 2, thick: 27, fpi: 20 }),
  radiator({ id: 'rad-tarn-240-30', name: 'Tarn 240, 30 mm', maker: TARN, price: 5200, section: 120, sections: 2, thick: 30, fpi: 16 }),
  radiator({ id: 'rad-tarn-360-27', name: 'Tarn Slim 360, 27 mm', maker: TARN, price: 6100, section: 120, sections: 3, thick: 27, fpi: 20 }),
  radiator({ id: 'rad-tarn-360-30', name: 'Tarn 360, 30 mm', maker: TARN, price: 6600, section: 120, sections: 3, thick: 30, fpi: 16 }),
  radiator({ id: 'rad-fell-240-45', name: 'Fell 240, 45 mm', maker: FELL, price: 7400, section: 120, sections: 2, thick: 45, fpi: 12, ports: 4 }),
  radiator({ id: 'rad-fell-360-45', name: 'Fell 360, 45 mm', maker: FELL, price: 8900, section: 120, sections: 3, thick: 45, fpi: 12, ports: 4 }),
  radiator({ id: 'rad-fell-360-60', name: 'Fell Deep 360, 60 mm', maker: FELL, price: 10900, section: 120, sections: 3, thick: 60, fpi: 10, ports: 4 }),
  radiator({ id: 'rad-mill-360-30', name: 'Leat 360, 30 mm, dense', maker: MILL, price: 7200, section: 120, sections: 3, thick: 30, fpi: 30, thread: 'UNC 6-32', note: 'Dense fins want fast fans.' }),
  radiator({ id: 'rad-mill-480-45', name: 'Leat 480, 45 mm', maker: MILL, price: 11900, section: 120, sections: 4, thick: 45, fpi: 16, ports: 4, thread: 'UNC 6-32' }),
  radiator({ id: 'rad-tarn-280-30', name: 'Tarn 280, 30 mm', maker: TARN, price: 6200, section: 140, sections: 2, thick: 30, fpi: 16 }),
  radiator({ id: 'rad-tarn-280-30w', name: 'Tarn 280 wide pitch, 30 mm', maker: TARN, price: 6200, section: 140, sections: 2, thick: 30, fpi: 16, holeGap: 20 }),
  radiator({ id: 'rad-fell-280-45', name: 'Fell 280, 45 mm', maker: FELL, price: 8300, section: 140, sections: 2, thick: 45, fpi: 11, ports: 4, thread: 'M4' }),
  radiator({ id: 'rad-fell-420-45', name: 'Fell 420, 45 mm', maker: FELL, price: 10500, section: 140, sections: 3, thick: 45, fpi: 11, ports: 4, thread: 'M4' }),
  radiator({ id: 'rad-bare-240-45', name: 'Featherlight 240, 45 mm', maker: BARE, price: 3200, section: 120, sections: 2, thick: 45, fpi: 18, metal: 'aluminium', note: 'All aluminium: never with copper, brass or nickel in one coolant.' }),
];
