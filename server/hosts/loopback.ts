/** Whether an address is one that only this machine reaches. */
export const isLoopback = (host: string) => host === 'localhost' || host === '::1' || /^127(\.\d{1,3}){3}$/.test(host)
