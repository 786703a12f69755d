/// <reference types="astro/client" />

declare namespace App {
  interface Locals {
    /** Id of the shop that the request means. */
    shop: string;
    /** Of a page: the shops of this database, and what its figures are said in. */
    shops: import('../store/shops.ts').ShopHere[];
    units: 'inch' | 'metric';
  }
}
