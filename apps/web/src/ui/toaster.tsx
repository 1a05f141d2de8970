import { useEffect, type CSSProperties } from 'react';
import { toast, Toaster as Sonner } from 'sonner';
import { toasterIsThere } from './toast.ts';

const messages = {
  fontFamily: 'inherit',
  '--normal-bg': 'var(--sheet)',
  '--normal-border': 'var(--line)',
  '--normal-text': 'var(--ink)',
  '--width': '520px',
} as CSSProperties;
const message = { classNames: { toast: 'text-[15px]! py-2!', actionButton: 'h-9! rounded-lg! px-3! text-[15px]!' } };

/** Offset in px: over the title bar, left of its buttons, so that a toast covers no card of the page. */
const besideTheBar = { top: 6, right: 232 };

/** Displays the toasts. */
export function Toaster({ theme }: { readonly theme: 'light' | 'dark' }) {
  useEffect(() => toasterIsThere(toast), []);
  return (
    <Sonner
      position="top-right"
      offset={besideTheBar}
      mobileOffset={{ top: 4 }}
      theme={theme}
      closeButton
      style={messages}
      toastOptions={message}
    />
  );
}
