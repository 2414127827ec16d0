// Imported by the script of every page that has one. Such a page comes inert: a click or key before the script listens would
// be lost unseen. Nothing can be pressed between this and the rest of the script, which runs in one go.
document.body.inert = false;
if (document.activeElement === document.body) {
  document.querySelector('[autofocus]')?.focus();
}
