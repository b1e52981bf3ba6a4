import { useCallback, useContext } from 'react';
import { UNSAFE_DataRouterContext, useBeforeUnload, useBlocker } from 'react-router';
import { Button } from './button';
import { Modal } from './modal';

/** Asks before what was typed is left behind: by Back, by a link, or by closing the page. */
export function AsksBeforeLeaving() {
  useBeforeUnload(useCallback((event) => event.preventDefault(), []));
  // A part of a page that stands by itself can only be closed.
  return useContext(UNSAFE_DataRouterContext) ? <Asks /> : null;
}

function Asks() {
  const { state, reset, proceed } = useBlocker(
    ({ currentLocation, nextLocation }) => currentLocation.pathname !== nextLocation.pathname,
  );
  return (
    <Modal
      open={state === 'blocked'}
      onClose={() => reset?.()}
      title="Leave without keeping it?"
      description="What you typed here is not kept yet."
      footer={
        <>
          <Button onClick={() => proceed?.()}>Leave it</Button>
          <Button variant="solid" onClick={() => reset?.()}>
            Go on typing
          </Button>
        </>
      }
    >
      {null}
    </Modal>
  );
}
