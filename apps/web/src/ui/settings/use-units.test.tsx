import { describe, expect, it } from '@jest/globals';
import { screen } from '@testing-library/react';
import { renderIn } from '../../testing';
import { useUnits } from './use-units';

function Lengths({ mm }: { readonly mm: number }) {
  const units = useUnits();
  return (
    <p>
      {units.size(mm)}; {units.cord(mm)}; {units.say([{ kind: 'length', mm, use: 'laid' }])}
    </p>
  );
}

describe('lengths on the screen', () => {
  it.each([
    [{ unit: 'mm', cordUnit: 'mm' }, '1106 mm; 1106 mm; 1106 mm'],
    [{ unit: 'cm', cordUnit: 'cm' }, '110.6 cm; 110.6 cm; 110.6 cm'],
    [{ unit: 'in', cordUnit: 'ft' }, '43 9/16 in; 3 ft 7 1/2 in; 43 9/16 in'],
  ] as const)('are fit for fingers, and the same in a sentence: %j', (settings, said) => {
    renderIn(settings, <Lengths mm={1106.4} />);
    expect(screen.getByText(said)).toBeTruthy();
  });
});
