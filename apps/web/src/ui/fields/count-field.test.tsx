import { describe, expect, it, jest } from '@jest/globals';
import { screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { useState } from 'react';
import { renderIn } from '../../testing';
import { CountField } from './count-field';

function Harness({ onChange, empty }: { onChange: (n: number | null) => void; empty?: boolean }) {
  const [value, setValue] = useState<number | null>(5);
  const put = (n: number | null): void => {
    setValue(n);
    onChange(n);
  };
  return (
    <CountField
      label="Knots"
      value={value}
      min={2}
      max={12}
      onChange={put}
      {...(empty ? { onClear: () => put(null) } : {})}
    />
  );
}
const field = () => screen.getByRole('textbox', { name: 'Knots' });
const type = async (text: string): Promise<void> => {
  await userEvent.clear(field());
  await userEvent.type(field(), text);
};

describe('a whole number', () => {
  it('is taken when it is whole and in range', async () => {
    const onChange = jest.fn();
    renderIn({}, <Harness onChange={onChange} />);
    await type('8{Enter}');
    expect(onChange).toHaveBeenLastCalledWith(8);
  });
  it.each([
    ['1', 'Between 2 and 12.'],
    ['13', 'Between 2 and 12.'],
    ['4.5', 'A whole number, please.'],
    ['many', 'A whole number, please.'],
  ])('is asked for again at %s, and nothing is changed', async (text, message) => {
    const onChange = jest.fn();
    renderIn({}, <Harness onChange={onChange} />);
    await type(`${text}{Enter}`);
    expect(screen.getByText(message)).toBeTruthy();
    expect(onChange).not.toHaveBeenCalled();
    await userEvent.type(field(), '{Escape}');
    expect((field() as HTMLInputElement).value).toBe('5');
  });
  it('goes up and down by one, and stops at its ends', async () => {
    const onChange = jest.fn();
    renderIn({}, <Harness onChange={onChange} />);
    await userEvent.type(field(), '{ArrowUp}{ArrowUp}{ArrowDown}');
    expect(onChange.mock.calls.map(([n]) => n)).toEqual([6, 7, 6]);
    await userEvent.type(field(), '{Shift>}{ArrowUp}{/Shift}');
    expect(onChange).toHaveBeenLastCalledWith(12);
  });
  it('may be left empty only where that means something', async () => {
    const onChange = jest.fn();
    const { unmount } = renderIn({}, <Harness onChange={onChange} />);
    await userEvent.clear(field());
    await userEvent.tab();
    expect(screen.getByText('How many?')).toBeTruthy();
    unmount();
    renderIn({}, <Harness onChange={onChange} empty />);
    await userEvent.clear(field());
    await userEvent.tab();
    expect(onChange).toHaveBeenLastCalledWith(null);
  });
});
