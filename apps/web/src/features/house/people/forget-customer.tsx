import { useState } from 'react';
import { useForgetCustomer } from '../../../data/api/people-queries';
import { AskDialog } from '../../../ui/shell/ask-dialog';
import { Button } from '../../../ui/shell/button';

interface Props {
  readonly id: string;
  readonly name: string;
  /** What stands on the button. */
  readonly children: string;
}

/** Forgets a customer, when asked twice: name, contact and notes go, figures stay. */
export function ForgetCustomer({ id, name, children }: Props) {
  const [asking, setAsking] = useState(false);
  const forget = useForgetCustomer();
  return (
    <>
      <Button aria-label={`Forget ${name}`} onClick={() => setAsking(true)}>
        {children}
      </Button>
      {asking && (
        <AskDialog
          title={`Forget ${name}?`}
          description="Name, contact and what was noted with their orders go, and cannot be brought back. What was ordered, its dates and its figures stay."
          action="Forget them"
          doing={[forget]}
          onDo={async () => {
            await forget.mutateAsync(id);
            setAsking(false);
          }}
          onClose={() => setAsking(false)}
        />
      )}
    </>
  );
}
