import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import type { InstrumentView } from '@coiled-strand/contract';
import { act, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { createElement, useState } from 'react';
import { LengthField } from '../../ui/fields/length-field';
import { renderIn } from '../../testing';
import { listenToInstruments } from './readings';

/** The line that instruments are heard over, in the hands of the test. */
class Line {
  static last: Line;
  onerror: (() => void) | null = null;
  private hear: ((event: { data: string }) => void) | null = null;
  constructor(readonly path: string) {
    Line.last = this;
  }
  addEventListener(name: string, hear: (event: { data: string }) => void): void {
    if (name === 'reading') this.hear = hear;
  }
  says(view: object): void {
    this.hear?.({ data: JSON.stringify(view) });
  }
  close(): void {
    this.hear = null;
  }
}
const say = (value: number | null, stable: boolean): void => {
  const view: InstrumentView = {
    instrument: 'caliper',
    here: true,
    simulated: true,
    reading: { instrument: 'caliper', value, unit: 'mm', stable, batteryLow: false },
  };
  act(() => Line.last.says(view));
};

function Fields() {
  const [length, setLength] = useState(6);
  const [hole, setHole] = useState(1);
  const field = (label: string, value: number, onChange: (mm: number) => void) =>
    createElement(LengthField, { label, value, unit: 'mm', decimals: 2, onChange, key: label });
  return [field('Length', length, setLength), field('Hole', hole, setHole)];
}

describe('a reading', () => {
  beforeAll(() => {
    Object.assign(window, { EventSource: Line });
    listenToInstruments();
  });
  afterAll(() => {
    Reflect.deleteProperty(window, 'EventSource');
  });
  it('that rests goes into the field that has the focus, once', async () => {
    renderIn({}, createElement(Fields));
    const [length, hole] = ['Length', 'Hole'].map((name) => screen.getByRole('textbox', { name }));
    say(0, true);
    expect(length).toHaveProperty('value', '6 mm');
    await userEvent.click(length!);
    say(3.1, false);
    expect(length).toHaveProperty('value', '6 mm');
    say(8.25, true);
    expect(length).toHaveProperty('value', '8.25 mm');
    // It is not taken again by the next field while it only goes on lying there.
    await userEvent.click(hole!);
    say(8.25, true);
    expect(hole).toHaveProperty('value', '1 mm');
    say(2, false);
    say(1.5, true);
    expect(hole).toHaveProperty('value', '1.5 mm');
    expect(length).toHaveProperty('value', '8.25 mm');
    say(null, false);
    expect(hole).toHaveProperty('value', '1.5 mm');
  });
});
