// Before the first paint, so that a dim room stays dim.
document.documentElement.dataset.theme = localStorage.getItem('ft-theme') === 'paper' ? 'paper' : 'dim';
