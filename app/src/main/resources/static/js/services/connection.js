/* A connection: only what its way in needs is shown. */

import '../web/ready.js';

function show() {
  const chosen = document.querySelector('[name="kind"]:checked');
  document.querySelectorAll('[data-for]').forEach((part) => {
    part.hidden = !chosen || !part.dataset.for.split(' ').includes(chosen.value);
  });
  document.getElementById('who-label').textContent = chosen?.dataset.who || 'Name';
}

document.querySelectorAll('[name="kind"]').forEach((way) => way.addEventListener('change', show));
show();
