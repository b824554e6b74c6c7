/** The cookie in which a page gets its token, and the header in which it shows it with whatever changes something. */
export const TOKEN_COOKIE = 'ft_page';
export const TOKEN_HEADER = 'x-thread-page';
