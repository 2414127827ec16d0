// A page with a script of its own takes no clicks and keys until that script listens: what came before would be lost unseen.
document.body.inert = false;
if (document.activeElement === document.body) {
  document.querySelector('[autofocus]')?.focus();
}
