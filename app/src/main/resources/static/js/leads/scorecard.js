// A card as it is written: only the values that a comparison has.

import '../web/ready.js';

function fit(row) {
  const is = row.querySelector('.is');
  if (!is) {
    return;
  }
  const compares = is.selectedOptions[0].dataset.compares === 'true';
  row.querySelector('.value').hidden = !compares;
  row.querySelectorAll('.to').forEach((part) => {
    part.hidden = is.value !== 'within';
  });
  row.querySelector('.points').hidden = row.querySelector('.out input').checked;
  row.querySelector('.gives').hidden = row.querySelector('.out input').checked;
}

document.getElementById('card').addEventListener('change', (event) => {
  const row = event.target.closest('.case');
  if (row) {
    fit(row);
  }
});

document.querySelectorAll('.case').forEach(fit);
