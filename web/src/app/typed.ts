/** What was chosen or typed in a field of a form. */
export const text = (event: Event) => (event.target as HTMLInputElement | HTMLSelectElement).value;
