// Somebody with a link talks to the draft.
import { rehearse } from './rehearse.js';

rehearse(document.getElementById('rehearse'), { beforeTurn: async () => {}, nowAt: () => {} });
document.querySelector('[data-begin]').click();
