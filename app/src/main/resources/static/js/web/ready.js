// Imported by the script of every page that has one. Such a page takes no presses before: they would be lost unseen. Nothing
// can be pressed between this and the rest of the script, which runs in one go.
delete document.body.dataset.starting;
