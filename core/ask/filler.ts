/** What a question is dressed in. */
export const FILLER = new Set(
  `both i i'm i've im ive we we've you he she they it it's its that that's this these those there here what what's whats which who where when why how do does did is are was be been am can could
  would should will shall may might must need needs needed want wants wanted have has had got get gets getting gotta take takes use uses using fit fits fitting goes go going run runs running
  come comes coming hook hooks hooking hookup up feed feeds feeding supplying connect connects connecting connection join joins joined joining attach attaches adapt adapts adapter
  adaptor put make makes install installing replace replacing swap change switch find show tell give some something anything thing things stuff part parts piece pieces please thanks thank
  hi hello me my mine our ours your customer customer's his her their one and or but then so just only also plus with w/ without at least about roughly around some over than more less
  away apart reach reaches reaching long length distance from for between into onto on in of by through via an a the to kind sort right correct let let's lets water ok okay and/or dont don't doesnt doesn't didnt cant can't plumb plumbs plumbing plumbed hookups too short reducer transition conversion converter attachment attachments upgrade upgrading moving relocate cheapest cheap today tomorrow asap braided stainless flexible flex straight floor called extend extends extended extending extension size pedestal`.split(
    /\s+/,
  ),
);
