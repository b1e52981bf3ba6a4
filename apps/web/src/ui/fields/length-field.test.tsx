import { ChakraProvider } from '@chakra-ui/react';
import { describe, expect, it, jest } from '@jest/globals';
import { render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { useState } from 'react';
import { system } from '../theme/system';
import { LengthField } from './length-field';

function Harness({ start, onChange }: { start: number | null; onChange: (mm: number) => void }) {
  const [value, setValue] = useState(start);
  return (
    <ChakraProvider value={system}>
      <LengthField
        label="Wrist"
        unit="cm"
        value={value}
        onChange={(mm) => {
          setValue(mm);
          onChange(mm);
        }}
      />
    </ChakraProvider>
  );
}
const setup = (start: number | null = 180) => {
  const onChange = jest.fn<(mm: number) => void>();
  render(<Harness start={start} onChange={onChange} />);
  return {
    onChange,
    field: screen.getByRole<HTMLInputElement>('textbox'),
    user: userEvent.setup(),
  };
};

describe('LengthField', () => {
  it('reads what is spoken and shows it in the maker’s unit', async () => {
    const { onChange, field, user } = setup();
    await user.clear(field);
    await user.type(field, '7 5/8 in{Enter}');
    expect(onChange).toHaveBeenLastCalledWith(expect.closeTo(193.675, 6));
    expect(field.value).toBe('19.4 cm');
  });
  it('asks when it can be read two ways, and takes the answer', async () => {
    const { onChange, field, user } = setup();
    await user.clear(field);
    await user.type(field, '7 5{Enter}');
    expect(onChange).not.toHaveBeenCalled();
    await user.click(screen.getByRole('button', { name: '7.5 cm' }));
    expect(onChange).toHaveBeenLastCalledWith(75);
    expect(screen.queryByRole('group', { name: 'Did you mean' })).toBeNull();
  });
  it('keeps what was typed when it cannot be read, and gives it up on Escape', async () => {
    const { onChange, field, user } = setup();
    await user.clear(field);
    await user.type(field, 'wide');
    await user.tab();
    expect(field.value).toBe('wide');
    expect(screen.getByText(/is not a length/)).toBeTruthy();
    await user.type(field, '{Escape}');
    expect(field.value).toBe('18 cm');
    expect(onChange).not.toHaveBeenCalled();
  });
  it('does not change a value that is only shown rounded', async () => {
    const { onChange, field, user } = setup(184.15);
    await user.click(field);
    await user.tab();
    expect(onChange).not.toHaveBeenCalled();
  });
  it('steps by arrow keys', async () => {
    const { onChange, field, user } = setup();
    await user.type(field, '{ArrowUp}');
    expect(onChange).toHaveBeenLastCalledWith(181);
    await user.type(field, '{ArrowDown}{ArrowDown}');
    expect(onChange).toHaveBeenLastCalledWith(179);
  });
  it('takes an empty field as not given', async () => {
    const { onChange, field, user } = setup(null);
    await user.click(field);
    await user.tab();
    expect(onChange).not.toHaveBeenCalled();
    expect(screen.queryByText(/Enter a length/)).toBeNull();
  });
});
