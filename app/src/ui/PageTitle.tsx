import { useEffect, useState } from 'react';

/** Titles of the pages that stand over each other, the uppermost last. */
const titles: { title: string }[] = [];
const show = () => {
  const top = titles.at(-1);
  if (top) document.title = top.title;
};

/** What the tab and the history call the page; what lies over another gives its title back when it goes. */
export function PageTitle({ title }: { title: string }) {
  const [own] = useState({ title });
  useEffect(() => {
    titles.push(own);
    return () => {
      titles.splice(titles.indexOf(own), 1);
      show();
    };
  }, [own]);
  useEffect(() => {
    own.title = title;
    show();
  }, [own, title]);
  return null;
}
