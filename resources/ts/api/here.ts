/** Whether this page is seen on the very machine that serves it. */
export const isOnThisMachine = ['127.0.0.1', 'localhost', '[::1]'].includes(location.hostname)
