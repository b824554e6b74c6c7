/** Gives the keys to a field of a form, so that what is wrong can be mended at once. */
export function focusField(form: HTMLElement, key: string | undefined): void {
  form.querySelector<HTMLElement>(`[data-field="${key ?? ''}"] :is(input, select)`)?.focus();
}
