// Shows texts of the script as visitors see them, bold where they are bold, until they are edited.
import { marked, pieces } from './prose.js';

const NAMES = { plain: 'span', strong: 'strong', em: 'em', link: 'u' };

function show(field) {
  const holder = field.parentElement;
  holder.querySelector('.as-said')?.remove();
  holder.classList.toggle('marked', marked(field.value));
  if (!marked(field.value)) {
    return;
  }
  const said = document.createElement('div');
  said.className = 'as-said';
  said.setAttribute('aria-hidden', 'true');
  said.append(
    ...pieces(field.value).map((piece) => {
      const made = document.createElement(NAMES[piece.as]);
      made.textContent = piece.text;
      return made;
    }),
  );
  holder.append(said);
}

const script = document.getElementById('script');
const showAll = () => script.querySelectorAll('.say').forEach(show);
showAll();
new MutationObserver(showAll).observe(script, { childList: true });
script.addEventListener('focusout', (event) => event.target.matches?.('.say') && show(event.target));
