/** Names the error of a page whose store could not be reached. */
export const STORE_AWAY = "STORE-AWAY";
