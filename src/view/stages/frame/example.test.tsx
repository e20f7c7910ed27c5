/** @jest-environment jsdom */
import { afterEach, describe, expect, test } from '@jest/globals';
import { render, screen } from '@testing-library/react';
import { demoDesign } from '@/catalogue';
import type { Design } from '@/core/design';
import { showUnits } from '@/core/units';
import { STAGES } from '@/view/workspace';
import { show } from '@/view/workspace/showInEditor';
import { CaseStage } from '../case/CaseStage';
import { Example } from './Example';

afterEach(() => showUnits('metric'));

const desk = demoDesign('dawn-chorus-desk') as Design;
const DRAWN = STAGES.flatMap(({ id }) => (id === 'brief' ? [] : [id]));

describe('a stage with nothing to show yet', () => {
  test.each(DRAWN)('%s: what it will show is drawn, named, and said to be an example', (stage) => {
    render(<Example of={stage} />);
    const drawing = screen.getByRole('img');
    expect((drawing.getAttribute('aria-label') ?? '').length).toBeGreaterThan(20);
    expect(drawing.querySelectorAll('path, rect, circle, text').length).toBeGreaterThan(3);
    expect(screen.getByText(/an example, not your build/)).toBeTruthy();
  });

  test("its figures are in the reader's units", () => {
    showUnits('us');
    render(<Example of="runs" />);
    expect(screen.getByRole('img').textContent).toContain('in');
    expect(screen.getByRole('img').textContent).not.toContain('mm');
  });

  test('an empty case is not said to fit', () => {
    show({ ...desk, components: [], loops: [] }, <CaseStage />);
    const title = screen.getAllByRole('heading', { level: 1 })[0]?.textContent;
    expect(title).toBe('Nothing in it yet');
  });
});
