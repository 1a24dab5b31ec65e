// What is wrong with how a page is laid out, in words: controls that lie on each other or have no name, text that is cut
// and nowhere told whole, choices of the browser's own, and scrolling sideways.
() => {
  const told = (e) => `${e.tagName.toLowerCase()} “${(e.innerText || e.ariaLabel || e.title || e.placeholder || '').trim().slice(0, 60)}”`;
  const seen = (e) => {
    const box = e.getBoundingClientRect();
    return box.width > 1 && box.height > 1 && e.checkVisibility({ opacityProperty: true, visibilityProperty: true });
  };
  const found = [];
  // Under an open dialog the page rests: only what is in the dialog can be pressed.
  const dialog = [...document.querySelectorAll('[role=dialog][aria-modal=true]')].at(-1);
  const rests = (e) => dialog && !dialog.contains(e);
  document.querySelectorAll('select').forEach((e) => found.push(`a choice of the browser's own: ${told(e)}`));

  const controls = [...document.querySelectorAll('button, a[href], input, textarea, [role=slider], [role=radio]')].filter(
    (e) => seen(e) && !rests(e) && !e.closest('[inert]') && !e.matches('.sr-only, .sr-only *') && getComputedStyle(e).pointerEvents !== 'none',
  );
  for (const e of controls) {
    if (!(e.innerText?.trim() || e.title || e.ariaLabel || e.labels?.length)) found.push(`without a name: ${e.outerHTML.slice(0, 120)}`);
    const box = e.getBoundingClientRect();
    const x = box.left + box.width / 2;
    const y = box.top + box.height / 2;
    // What is scrolled out of sight lies behind nothing.
    let shown = { left: 0, top: 0, right: innerWidth, bottom: innerHeight };
    for (let p = e.parentElement; p; p = p.parentElement) {
      const style = getComputedStyle(p);
      if (style.overflowX === 'visible' && style.overflowY === 'visible') continue;
      const b = p.getBoundingClientRect();
      shown = { left: Math.max(shown.left, b.left), top: Math.max(shown.top, b.top), right: Math.min(shown.right, b.right), bottom: Math.min(shown.bottom, b.bottom) };
    }
    if (x < shown.left || x > shown.right || y < shown.top || y > shown.bottom) continue;
    const hit = document.elementFromPoint(x, y);
    const over = hit?.closest('button, a[href], input, textarea, [role=slider], [role=radio]');
    if (over && over !== e && !over.contains(e) && !e.contains(over) && !(e.labels && [...e.labels].some((l) => l.contains(over))))
      found.push(`${told(e)} lies under ${told(over)}`);
  }

  for (const e of document.querySelectorAll('body *')) {
    if (!seen(e) || rests(e) || e.scrollWidth <= e.clientWidth + 1 || e.matches('input, textarea, svg, svg *, .sr-only, .sr-only *')) continue;
    const style = getComputedStyle(e);
    const cuts = style.textOverflow === 'ellipsis' || (style.overflowX === 'hidden' && [...e.childNodes].some((n) => n.nodeType === 3 && n.data.trim()));
    if (cuts && style.overflowX === 'hidden' && !e.closest('[title], [aria-label]:not(section, nav, main, form, [role=group], [role=grid], [role=listbox])'))
      found.push(`cut and nowhere told whole: ${told(e)}`);
  }
  if (document.documentElement.scrollWidth > innerWidth) found.push('scrolls sideways');
  if (document.documentElement.scrollHeight > innerHeight) found.push('scrolls as a whole');
  return [...new Set(found)].slice(0, 12);
};
