/** @jest-environment jsdom */
import { expect, test } from '@jest/globals';
import { act, render, screen } from '@testing-library/react';
import { useNextFrame } from './useNextFrame';

const Shown = ({ value }: { readonly value: string }) => (
  <p>{`${value} drawn ${useNextFrame(value)}`}</p>
);
const frames = (count: number) =>
  act(async () => {
    for (let i = 0; i < count; i += 1) {
      await new Promise((r) => requestAnimationFrame(r));
      await new Promise((r) => setTimeout(r));
    }
  });

test('a value is drawn one frame late; of many in a frame the last', async () => {
  const { rerender, unmount } = render(<Shown value="a" />);
  expect(screen.getByText('a drawn a')).toBeTruthy();
  rerender(<Shown value="b" />);
  expect(screen.getByText('b drawn a')).toBeTruthy();
  rerender(<Shown value="c" />);
  expect(screen.getByText('c drawn a')).toBeTruthy();
  await frames(2);
  expect(screen.getByText('c drawn c')).toBeTruthy();
  // And the next one as well.
  rerender(<Shown value="d" />);
  expect(screen.getByText('d drawn c')).toBeTruthy();
  await frames(2);
  expect(screen.getByText('d drawn d')).toBeTruthy();
  // Nothing is set on a page that is gone.
  rerender(<Shown value="e" />);
  unmount();
  await frames(2);
});
