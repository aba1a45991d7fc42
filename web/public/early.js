// Asks for what the page come to needs first, while the application itself is still being read; the client takes the
// answers (see api/client.ts). What is not in this list is asked for by the page, a little later.
(() => {
  const files = Object.fromEntries(
    (document.currentScript.dataset.views || '').split(' ').map((view) => view.split('=')),
  );
  const [, site, rest] = /^\/sites\/(\d+)(.*)$/.exec(location.pathname) || [];
  const ask = ['/api/me', '/api/sites'];
  const tree = /^\/trees\/(\d+)$/.exec(rest || '');
  if (site) {
    const at = '/api/sites/' + site;
    if (!rest.startsWith('/season/')) ask.push(at + '/season');
    if (rest === '' || rest === '/today') ask.push(at);
    if (rest === '' || rest === '/today') ask.push(at + '/today');
    if (rest === '' && !location.search) ask.push(at + '/trees?q=&species=&triage=&sort=tag&size=500&page=0');
    if (tree) ask.push('/api/trees/' + tree[1], '/api/trees/' + tree[1] + '/judgement');
  }
  const view = {
    '': 'OrchardView',
    '/today': 'TodayView',
    '/walk': 'WalkPicker',
  }[rest];
  for (const file of (files[tree ? 'TreePage' : view] || '').split(',').filter(Boolean)) {
    const link = document.createElement('link');
    link.rel = 'modulepreload';
    link.href = '/' + file;
    document.head.append(link);
  }
  window.asked = Object.fromEntries(ask.map((path) => [path, fetch(path)]));
  // Whoever does not take an answer does not want to hear that there was none.
  for (const answer of Object.values(window.asked)) answer.catch(() => undefined);
})();
