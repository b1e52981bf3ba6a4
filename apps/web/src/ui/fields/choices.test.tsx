import { describe, expect, it, jest } from '@jest/globals';
import { screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { useState } from 'react';
import { renderIn } from '../../testing';
import { Choices } from './choices';
import { TextField } from './text-field';

const CHOICES = [
  { value: 'soft', label: 'Soft' },
  { value: 'even', label: 'Even' },
  { value: 'hard', label: 'Hard' },
] as const;
type Value = (typeof CHOICES)[number]['value'];

function Harness({ onChange }: { onChange: (value: Value) => void }) {
  const [value, setValue] = useState<Value>('even');
  return (
    <Choices<Value>
      label="Tension"
      choices={CHOICES}
      value={value}
      onChange={(next) => {
        setValue(next);
        onChange(next);
      }}
    />
  );
}

describe('Choices', () => {
  it('is one stop for the tab key, and arrows go round', async () => {
    const onChange = jest.fn<(value: Value) => void>();
    renderIn({}, <Harness onChange={onChange} />);
    const user = userEvent.setup();
    await user.tab();
    expect(document.activeElement?.textContent).toBe('Even');
    await user.keyboard('{ArrowRight}');
    expect(onChange).toHaveBeenLastCalledWith('hard');
    expect(document.activeElement?.textContent).toBe('Hard');
    await user.keyboard('{ArrowRight}');
    expect(onChange).toHaveBeenLastCalledWith('soft');
    await user.keyboard('{ArrowLeft}{ArrowLeft}');
    expect(onChange).toHaveBeenLastCalledWith('even');
  });
  it('says which is chosen', async () => {
    renderIn({}, <Harness onChange={() => undefined} />);
    await userEvent.click(screen.getByRole('radio', { name: 'Soft' }));
    expect(screen.getByRole('radio', { name: 'Soft' }).getAttribute('aria-checked')).toBe('true');
    expect(screen.getByRole('radio', { name: 'Even' }).getAttribute('aria-checked')).toBe('false');
  });
});

describe('TextField', () => {
  it('commits a name as a whole, and never an empty one that is needed', async () => {
    const onChange = jest.fn<(value: string) => void>();
    renderIn({}, <TextField label="Name" required value="Tobias" onChange={onChange} />);
    const field = screen.getByRole<HTMLInputElement>('textbox');
    const user = userEvent.setup();
    await user.clear(field);
    expect(screen.getByText('This needs a name.')).toBeTruthy();
    await user.tab();
    expect(onChange).not.toHaveBeenCalled();
    expect(field.value).toBe('Tobias');
    await user.clear(field);
    await user.type(field, '  Ines {Enter}');
    expect(onChange.mock.calls).toEqual([['Ines']]);
  });
});
