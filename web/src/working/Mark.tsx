import './mark.css'
/** Right and wrong told apart by shape and word as well as colour. */
export function Mark({ right }: { readonly right: boolean }) {
  return (
    <svg
      className={`mark ${right ? 'right' : 'wrong'}`}
      viewBox="0 0 16 16"
      role="img"
      aria-label={right ? 'right' : 'wrong'}
    >
      {right ? (
        <>
          <rect width="16" height="16" rx="2" fill="currentColor" />
          <path d="M3.5 8.5l3 3 6-7" fill="none" stroke="var(--paper)" strokeWidth="2.2" />
        </>
      ) : (
        <path d="M8 1l7.5 14H10L8 11.2 6 15H.5z" fill="currentColor" />
      )}
    </svg>
  )
}
