/// <reference types="node" />
import { configure } from '@testing-library/dom';
import { BroadcastChannel } from 'node:worker_threads';
import { TextDecoder, TextEncoder } from 'node:util';
import { deserialize, serialize } from 'node:v8';
import 'fake-indexeddb/auto';

// React's act() warnings are only right when the environment says that it is a test.
(globalThis as { IS_REACT_ACT_ENVIRONMENT?: boolean }).IS_REACT_ACT_ENVIRONMENT = true;

// What is waited for comes when its module is loaded, which takes its time on a busy machine.
configure({ asyncUtilTimeout: 120_000 });

/** jsdom has no layout, so nothing ever changes its size. */
class NoResize implements ResizeObserver {
  observe(): void {
    return undefined;
  }
  unobserve(): void {
    return undefined;
  }
  disconnect(): void {
    return undefined;
  }
}
globalThis.ResizeObserver ??= NoResize;

// The router speaks of bytes; jsdom leaves that to Node.
Object.assign(globalThis, { TextDecoder, TextEncoder });

/** jsdom matches no media. */
globalThis.matchMedia ??= (media: string): MediaQueryList =>
  ({
    matches: false,
    media,
    addEventListener: () => undefined,
    removeEventListener: () => undefined,
  }) as unknown as MediaQueryList;

// What needs no page is tested without one, in Node.
if (typeof window !== 'undefined') {
  // jsdom knows no pointers; what is asked of them here a mouse has as well.
  Object.assign(globalThis, { PointerEvent: globalThis.PointerEvent ?? MouseEvent });

  // jsdom draws nothing and scrolls nothing: what is drawn on a canvas is seen in the browser tests.
  HTMLCanvasElement.prototype.getContext = () => null;
  Element.prototype.scrollTo = () => undefined;
}

// jsdom has no store and no word from window to window either.
class Quiet extends BroadcastChannel {
  constructor(name: string) {
    super(name);
    this.unref();
  }
}
Object.assign(globalThis, {
  structuredClone: <T>(value: T): T => deserialize(serialize(value)) as T,
  BroadcastChannel: Quiet,
});
