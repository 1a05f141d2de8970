import { useEffect, type CSSProperties } from 'react';
import { toast, Toaster as Sonner } from 'sonner';
import { toasterIsThere } from './toast.ts';

const messages = {
  fontFamily: 'inherit',
  '--normal-bg': 'var(--sheet)',
  '--normal-border': 'var(--line)',
  '--normal-text': 'var(--ink)',
} as CSSProperties;
const message = { classNames: { toast: 'text-[15px]!', actionButton: 'h-9! rounded-lg! px-3! text-[15px]!' } };

/** Displays the toasts. */
export function Toaster({ theme }: { readonly theme: 'light' | 'dark' }) {
  useEffect(() => toasterIsThere(toast), []);
  return <Sonner position="bottom-left" theme={theme} closeButton style={messages} toastOptions={message} />;
}
