// Before the page is painted: day or night as it was chosen, else as the system has it.
try {
  const { theme } = JSON.parse(localStorage.getItem('tachymetra') ?? '{}')
  const dark = matchMedia('(prefers-color-scheme: dark)').matches
  document.documentElement.dataset.light = theme === 'night' || (theme !== 'day' && dark) ? 'night' : 'day'
} catch {
  // The program says it once it runs.
}
