interface Props {
  href: string;
  /** what the file holds */
  title: string;
  children: React.ReactNode;
}

/** A file that is kept when it is pressed. */
export function FileLink({ href, title, children }: Props) {
  return (
    <a className="inline-flex min-h-7 items-center text-petrol underline" title={title} href={href} download>
      {children}
    </a>
  );
}
