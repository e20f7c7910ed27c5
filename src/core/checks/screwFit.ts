import type { ScrewNeed } from '../clearance';
import { msg } from '../messages';
import type { Diagnostic, Fix } from './diagnostic';
import { formatMillimetres } from '../units';
import { nameOf, type OperatingCheck, type CheckInputs } from './inputs';

function letPick(need: ScrewNeed): Fix[] {
  return [
    {
      label: msg`Pick the right length instead`,
      edit: { do: 'component.unset', component: need.fans ?? need.radiator, keys: ['screw_mm'] },
    },
  ];
}

const diagnostic = (
  context: CheckInputs,
  verdict: ScrewNeed['verdict'],
  say: (n: ScrewNeed, what: string) => Pick<Diagnostic, 'title' | 'detail' | 'limit'>,
): Diagnostic[] =>
  context.screws
    .filter((n) => n.verdict === verdict)
    .map((n): Diagnostic => ({
      subjects: [n.radiator, ...(n.fans ? [n.fans] : [])],
      unit: 'mm',
      ...(n.length_mm === null ? {} : { measured: n.length_mm }),
      candidates: () => (n.chosen === 'by hand' ? letPick(n) : []),
      ...say(
        n,
        n.fans ? nameOf(context, n.fans) : msg`the frame on ${nameOf(context, n.radiator)}`,
      ),
    }));

const source = (): string => msg`stack + 2.5 mm of thread up to stack + depth to the tube − 1 mm`;

export const screwTooLong: OperatingCheck = {
  code: 'screw.too-long',
  severity: 'fails',
  stage: 'case',
  get meaning() {
    return msg`A screw reaches the tubes behind the radiator's flange: turned home, it pierces
      one and ruins the radiator. Use a shorter one, or washers.`;
  },
  get source() {
    return source();
  },
  run: (context) =>
    diagnostic(context, 'too-long', (n, what) => ({
      title: msg`Screws of ${n.length_mm ?? '–'} mm pierce ${nameOf(context, n.radiator)}`,
      detail: msg`Through ${what} the stack is ${formatMillimetres(n.window.stack_mm, 1)}; at
        most ${formatMillimetres(n.window.longest_mm, 1)} keep 1 mm off the tubes behind. A
        pierced radiator cannot be mended.`,
      limit: n.window.longest_mm,
    })),
};

export const screwTooShort: OperatingCheck = {
  code: 'screw.too-short',
  severity: 'fails',
  stage: 'case',
  get meaning() {
    return msg`A screw has less than 2.5 mm of thread in the radiator and will not hold.`;
  },
  get source() {
    return source();
  },
  run: (context) =>
    diagnostic(context, 'too-short', (n, what) => ({
      title: msg`Screws of ${n.length_mm ?? '–'} mm do not hold ${what}`,
      detail: msg`The stack is ${formatMillimetres(n.window.stack_mm, 1)}; at least
        ${formatMillimetres(n.window.shortest_mm, 1)} leave 2.5 mm of thread.`,
      limit: n.window.shortest_mm,
    })),
};

export const screwNone: OperatingCheck = {
  code: 'screw.none',
  severity: 'marginal',
  stage: 'case',
  get meaning() {
    return msg`No screw on the build's list has a length in the window, not even with washers.`;
  },
  get source() {
    return source();
  },
  run: (context) =>
    diagnostic(context, 'none', (n, what) => ({
      title: msg`No ${n.thread} screw fits ${what}`,
      detail: msg`Wanted: ${formatMillimetres(n.window.shortest_mm, 1)} to
        ${formatMillimetres(n.window.longest_mm, 1)} long. Never use a longer one without enough
        washers under its head.`,
      limit: n.window.longest_mm,
    })),
};
