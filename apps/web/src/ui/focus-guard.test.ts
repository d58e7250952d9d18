/** @jest-environment jsdom */
import { placeOfFocus } from './focus-guard.js';

/** Elements of jsdom have no size; those in the document count as shown. */
beforeAll(() => {
  Element.prototype.getClientRects = function (this: Element) {
    return (this.isConnected ? [{}] : []) as unknown as DOMRectList;
  };
});

function pathOf(html: string, selector: string): HTMLElement[] {
  document.body.innerHTML = html;
  const path: HTMLElement[] = [];
  for (let each = document.querySelector<HTMLElement>(selector); each; each = each.parentElement)
    path.push(each);
  return path;
}

test('the focus of a button that is gone goes to what held it', () => {
  const path = pathOf('<main><section><p><button>Done</button></p></section></main>', 'button');
  path[0]?.remove();
  expect(placeOfFocus(path)?.tagName).toBe('P');
});

test('where that is gone too, it goes to what holds that', () => {
  const path = pathOf('<main><section><button>Done</button></section></main>', 'button');
  path[1]?.remove();
  expect(placeOfFocus(path)?.tagName).toBe('MAIN');
});

test('a button that is still there keeps it; one that is disabled does not', () => {
  const path = pathOf('<main><section><button>Done</button></section></main>', 'button');
  expect(placeOfFocus(path)).toBeUndefined();
  (path[0] as HTMLButtonElement).disabled = true;
  expect(placeOfFocus(path)?.tagName).toBe('SECTION');
});
