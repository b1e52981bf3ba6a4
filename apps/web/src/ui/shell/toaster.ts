/** What is said, and what takes it back. */
interface Toast {
  readonly title: string;
  readonly type?: 'success';
  readonly action?: { readonly label: string; readonly onClick: () => void };
}

/** Says shortly what just happened. What shows it is fetched when something is said for the first time. */
export const toaster = {
  create(toast: Toast): void {
    void import('./toasts').then(({ toasts }) => toasts.create(toast));
  },
};
