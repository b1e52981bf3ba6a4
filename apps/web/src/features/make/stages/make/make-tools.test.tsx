import { afterEach, describe, expect, it, jest } from '@jest/globals';
import { fireEvent, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { useDevice } from '../../../../data/device/device-store';
import { renderIn } from '../../../../testing';
import { MakeTools } from './make-tools';
import { isBare, useLongPress } from './use-long-press';

const nothing = (): void => undefined;
afterEach(() => useDevice.getState().setCues({ sound: false, vibration: false, pedal: null }));

describe('the tools beside a step', () => {
  it('offer to find the place only where there is something to count', () => {
    const { unmount } = renderIn({}, <MakeTools onLost={null} onMeasure={nothing} />);
    expect(screen.queryByRole('button', { name: 'Where was I?' })).toBeNull();
    unmount();
    renderIn({}, <MakeTools onLost={nothing} onMeasure={nothing} />);
    expect(screen.getByRole('button', { name: 'Where was I?' })).toBeTruthy();
  });
  it('turn sound on and off, and keep it on this device', async () => {
    renderIn({}, <MakeTools onLost={null} onMeasure={nothing} />);
    await userEvent.click(screen.getByRole('button', { name: /Sound, vibration/ }));
    await userEvent.click(await screen.findByRole('menuitemcheckbox', { name: /Sound: off/ }));
    expect(useDevice.getState().sound).toBe(true);
    expect(localStorage.getItem('coiled-strand.device')).toContain('"sound":true');
  });
});

function Surface({ onLong, onTap }: { readonly onLong: () => void; readonly onTap: () => void }) {
  const press = useLongPress(onLong);
  return (
    <div
      data-testid="surface"
      onPointerDown={press.onPointerDown}
      onPointerMove={press.onPointerMove}
      onPointerUp={press.onPointerUp}
      onPointerCancel={press.onPointerCancel}
      onClick={(event) => {
        if (!press.wasLong() && isBare(event)) onTap();
      }}
    >
      <button type="button">A control</button>
    </div>
  );
}

describe('a long press', () => {
  const long = jest.fn();
  const tap = jest.fn();
  const at = (x: number) => ({ clientX: x, clientY: 5 });
  const show = (): HTMLElement => {
    jest.useFakeTimers();
    long.mockClear();
    tap.mockClear();
    renderIn({}, <Surface onLong={long} onTap={tap} />);
    return screen.getByTestId('surface');
  };
  afterEach(() => {
    jest.useRealTimers();
  });
  it('is no tap, and a tap is no long press', () => {
    const surface = show();
    fireEvent.pointerDown(surface, at(5));
    jest.advanceTimersByTime(600);
    fireEvent.pointerUp(surface);
    fireEvent.click(surface);
    expect([long.mock.calls.length, tap.mock.calls.length]).toEqual([1, 0]);
    fireEvent.pointerDown(surface, at(5));
    jest.advanceTimersByTime(100);
    fireEvent.pointerUp(surface);
    fireEvent.click(surface);
    jest.advanceTimersByTime(600);
    expect([long.mock.calls.length, tap.mock.calls.length]).toEqual([1, 1]);
  });
  it('is not meant by a finger that scrolls, nor by one that holds a button', () => {
    const surface = show();
    fireEvent.pointerDown(surface, at(5));
    fireEvent.pointerMove(surface, at(40));
    jest.advanceTimersByTime(600);
    const button = screen.getByRole('button', { name: 'A control' });
    fireEvent.pointerDown(button, at(5));
    jest.advanceTimersByTime(600);
    fireEvent.click(button);
    expect([long.mock.calls.length, tap.mock.calls.length]).toEqual([0, 0]);
  });
});
