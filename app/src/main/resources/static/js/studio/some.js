// Several of a list are one field: what is ticked goes into it, separated by commas.

/** @param {Element} script */
export function someOf(script) {
  script.addEventListener('change', (event) => {
    const group = event.target.matches('[data-some]') && event.target.closest('.chip-some');
    if (group) {
      const field = group.querySelector('[data-field]');
      field.value = [...group.querySelectorAll('[data-some]:checked')].map((one) => one.value).join(', ');
      field.dispatchEvent(new Event('input', { bubbles: true }));
    }
  });
}
