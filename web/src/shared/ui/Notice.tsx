/** A short word at the foot of the page that something was done, or why not. */
import Snackbar from '@mui/material/Snackbar';
import { create } from 'zustand';

const useNotice = create<{ readonly text: string; readonly open: boolean }>(() => ({ text: '', open: false }));

/** Says something for a moment, and how it may be undone. */
export const notice = (text: string): void => useNotice.setState({ text, open: true });

const close = () => useNotice.setState({ open: false });

/** Where such words are shown. */
export function Notice() {
  const { text, open } = useNotice();
  return <Snackbar open={open} message={text} autoHideDuration={6000} onClose={close} />;
}
