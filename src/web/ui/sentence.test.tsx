/** @jest-environment jsdom */

import { ChakraProvider } from '@chakra-ui/react';
import { afterEach, beforeAll, describe, expect, jest, test } from '@jest/globals';
import { act, cleanup, fireEvent, render, screen } from '@testing-library/react';
import { type ReactNode } from 'react';
import { asInBrowser } from '../../test/window.ts';
import { system } from '../theme/system.ts';
import { Besides, ChoiceBlank, LengthBlank } from './Sentence.tsx';
import { Worded } from './Worded.tsx';

beforeAll(asInBrowser);
afterEach(cleanup);

const shown = (what: ReactNode) => render(<ChakraProvider value={system}>{what}</ChakraProvider>);
const blank = () => screen.getByRole('button');

describe('sentences with blanks', () => {
  test('a length: said in the project’s unit, changed by the arrows by a millimetre or a sixteenth, amber out of the usual', () => {
    const [onValue, onPreview] = [jest.fn(), jest.fn()];
    const length = (value: number, units: 'mm' | 'in') => (
      <LengthBlank
        label="Front facing, width"
        value={value}
        least={50}
        most={140}
        usual={[75, 100]}
        units={units}
        onPreview={onPreview}
        onValue={onValue}
      />
    );
    const { unmount } = shown(length(85, 'mm'));
    expect(blank().getAttribute('aria-label')).toBe('Front facing, width: 85 mm');
    // Each step is shown; what they come to is kept once, when the hand goes on; given up by Escape it is not.
    for (const key of ['ArrowUp', 'ArrowUp', 'ArrowDown']) fireEvent.keyDown(blank(), { key });
    fireEvent.blur(blank());
    expect(onPreview.mock.calls).toEqual([[86], [87], [86]]);
    expect(onValue.mock.calls).toEqual([[86]]);
    for (const key of ['ArrowUp', 'Escape']) fireEvent.keyDown(blank(), { key });
    fireEvent.blur(blank());
    expect(onValue).toHaveBeenCalledTimes(1);
    unmount();
    shown(length(120, 'in'));
    expect(blank().getAttribute('aria-label')).toBe('Front facing, width: 4 3/4", not usual');
    fireEvent.keyDown(blank(), { key: 'ArrowRight' });
    fireEvent.blur(blank());
    // 1 inch is 25.4 mm by definition.
    expect(onValue.mock.lastCall?.[0]).toBeCloseTo(120 + 25.4 / 16, 9);
  });

  test('a choice: the arrows go round its ways, opened they are answers to one question, a click takes one and closes', async () => {
    const onPick = jest.fn();
    shown(
      <ChoiceBlank
        label="The back is faced"
        value="deep"
        ways={[
          { id: 'neck', words: 'round the neck' },
          { id: 'deep', words: 'down to the armholes' },
        ]}
        onPick={onPick}
      />,
    );
    expect(blank().textContent).toBe('down to the armholes');
    fireEvent.keyDown(blank(), { key: 'ArrowRight' });
    expect(onPick.mock.lastCall).toEqual(['neck']);
    await act(async () => fireEvent.click(blank()));
    const answers = screen.getAllByRole<HTMLInputElement>('radio');
    expect(answers.map((a) => a.checked)).toEqual([false, true]);
    await act(async () => fireEvent.click(answers[0] as HTMLElement, { detail: 1 }));
    expect(onPick).toHaveBeenCalledTimes(2);
  });

  test('what may be added is offered by name, what is there is said', async () => {
    const onAdd = jest.fn();
    const extra = (label: string, on: boolean) => ({ label, on, said: `${label}: said.`, onAdd });
    shown(
      <Besides
        label="What else is faced"
        offer="Face another edge"
        extras={[extra('Face the hem', true), extra('Face the waist', false)]}
      />,
    );
    expect(screen.getByText(/Face the hem: said/)).toBeTruthy();
    await act(async () => fireEvent.click(screen.getByRole('button', { name: /Face another edge/ })));
    expect(screen.queryByRole('button', { name: 'Face the hem' })).toBeNull();
    fireEvent.click(screen.getByRole('button', { name: 'Face the waist' }));
    expect(onAdd).toHaveBeenCalledTimes(1);
  });

  test('a term of the trade explains itself with a drawing; the sentence stays as it was', async () => {
    const { container } = shown(<Worded text="Clip the curve, then understitch the facing." />);
    expect(container.textContent).toBe('Clip the curve, then understitch the facing.');
    await act(async () => fireEvent.click(screen.getByRole('button', { name: 'understitch: what it means' })));
    expect(screen.getByRole('note').textContent).toContain('so that the facing stays inside');
    expect(screen.getByRole('note').querySelectorAll('path').length).toBeGreaterThan(1);
  });
});
