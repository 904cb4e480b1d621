/** A short word at the foot of the page that something was done, or why not. */
import Snackbar from '@mui/material/Snackbar';
import { create } from 'zustand';

const useNotice = create<{ readonly text: string; readonly open: boolean }>(() => ({ text: '', open: false }));

export const notice = (text: string): void => useNotice.setState({ text, open: true });

const close = () => useNotice.setState({ open: false });

export function Notice() {
  const { text, open } = useNotice();
  return <Snackbar open={open} message={text} autoHideDuration={6000} onClose={close} />;
}
