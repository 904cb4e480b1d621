/** Is the person typing somewhere? Then single keys belong to the field. */
export function fieldHasFocus(): boolean {
  const element = document.activeElement;
  if (!(element instanceof HTMLElement)) return false;
  return (
    element.isContentEditable ||
    /^(INPUT|TEXTAREA|SELECT)$/.test(element.tagName) ||
    element.closest('[role="dialog"],[role="menu"],[role="listbox"]') !== null
  );
}
