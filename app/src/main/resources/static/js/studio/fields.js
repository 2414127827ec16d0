// Fields of a row that are more than text, and where the caret goes in a row.

/** What is written first in a row: its text, else its first setting, else where it leads. */
export const firstField = (row) =>
  row?.querySelector('.say') ?? row?.querySelector('.settings [data-field]:not([type="hidden"]), .settings .add') ?? row?.querySelector('.lead');

/** Several of a list are one field: what is ticked goes into it, separated by commas. Escape empties a variable's name. */
export function fields(script) {
  const told = (field, value) => {
    field.value = value;
    field.dispatchEvent(new Event('input', { bubbles: true }));
  };
  script.addEventListener('change', (event) => {
    const group = event.target.matches('[data-some]') && event.target.closest('.chip-some');
    if (group) {
      told(group.querySelector('[data-field]'), [...group.querySelectorAll('[data-some]:checked')].map((one) => one.value).join(', '));
    }
  });
  script.addEventListener(
    'keydown',
    (event) => {
      if (event.key === 'Escape' && event.target.matches('.variable-field') && event.target.value !== '') {
        event.stopPropagation();
        told(event.target, '');
      }
    },
    true,
  );
}
