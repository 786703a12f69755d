/// <reference types="astro/client" />

declare namespace App {
  interface Locals {
    /** Id of the shop that the request means. */
    shop: string;
    /** Of a page: what its figures are said in. */
    units: 'inch' | 'metric';
  }
}
