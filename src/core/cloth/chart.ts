/** A thread of the chart that ships with Cobble. All codes and names are made up. */
export interface ChartThread {
  code: string;
  name: string;
  hex: string;
}

/** Plain ones that every shop has. */
const PLAIN: readonly ChartThread[] = [
  { code: 'Q001', name: 'Black pitch', hex: '#08090a' },
  { code: 'Q002', name: 'Snow', hex: '#fdfdfb' },
  { code: 'Q003', name: 'Signal red', hex: '#c8102e' },
  { code: 'Q004', name: 'Signal yellow', hex: '#ffd400' },
  { code: 'Q005', name: 'Signal green', hex: '#00843d' },
  { code: 'Q006', name: 'Signal blue', hex: '#0047bb' },
  { code: 'Q007', name: 'Signal orange', hex: '#ff6a13' },
  { code: 'Q008', name: 'Mist grey', hex: '#c9cfce' },
  { code: 'Q009', name: 'Gull grey', hex: '#8d9694' },
  { code: 'Q010', name: 'Charcoal', hex: '#3a4042' },
  { code: 'Q011', name: 'Cream', hex: '#f6ecd2' },
  { code: 'Q012', name: 'Bone', hex: '#e4dcc8' },
];

/**
 * Colours spread evenly over what dyed polyester can show, by hue, each hue from light to dark: centres of a clustering of
 * the whole gamut by CIEDE2000 (Lloyd 1982), somewhat denser where flat drawings have their colours.
 */
const SPREAD = `
  f2edfa Pale slate | e9f0f6 Pale flint | e8f0ed Pale pebble | f7e7e8 Pale ash | e1dde2 Early slate | d1dacf Early flint
  d0c9c9 Soft slate | b5b6be Soft flint | afb6b5 Soft pebble | b8adb6 Fair slate | ababa7 Fair flint | a2a79b Fair pebble
  9a9ea2 Fair ash | a39798 Early pebble | 868c82 Full slate | 8d8685 Full flint | 7f8589 Full pebble | 807a85 Full ash
  7e7a75 Early ash | 70796f Late slate | 747375 Late flint | 7d7072 Late pebble | 6b6d78 Late ash | 5f6b6d Old slate
  5f6358 Deep slate | 5e6261 Deep flint | 645d66 Deep pebble | 455353 Deep ash | 534f51 Old flint | 4a4c46 Old pebble
  3d393b Dark slate | 29342e Dark flint | 272b2d Dark pebble | 292822 Dark ash | 2b2225 Midnight slate | 0f150d Midnight flint
  16100e Midnight pebble | 0d040d Midnight ash | fdc5ca Soft foxglove | e3b0b9 Misty foxglove | f8a5b6 Soft mallow
  cba2ac Dusty foxglove | f07e9c Fair foxglove | f65992 Vivid foxglove | c2758b Fair mallow | e55a73 Full foxglove
  f63378 Rich foxglove | cd517c Full mallow | e92061 Rich mallow | d42170 Rich cosmos | 9f5c70 Full cosmos | c3275c Royal foxglove
  973f51 Deep foxglove | a71648 Royal mallow | 68333b Dark foxglove | 770d39 Inky foxglove | 442a30 Shadow foxglove
  5b1029 Inky mallow | 370418 Black foxglove | f69b9c Soft rowan | bb9995 Dusty rowan | f97686 Vivid rowan | e37e7f Fair rowan
  fa6870 Vivid rosehip | cb7d85 Fair rosehip | b47e7f Dusty rosehip | d76a64 Full rowan | 9d8380 Muted rowan | fa2c57 Rich rowan
  be5e60 Full rosehip | e22747 Rich rosehip | c24b51 Full haw | c51e44 Royal rowan | 90403c Deep rowan | aa142f Royal rosehip
  7c162a Inky rowan | 473737 Shadow rowan | 490212 Black rowan | 360403 Black rosehip | 200406 Midnight rowan
  f9cfc6 Breath of kiln | f6afa5 Soft kiln | d4b0a7 Misty kiln | f99788 Soft brick | fa7b6b Vivid kiln | e18a70 Fair kiln
  fb6c43 Vivid brick | d47f74 Fair brick | f5504a Rich kiln | f94523 Rich brick | c5664e Full kiln | af6f60 Full brick
  f81815 Rich terrace | ec2a35 Early kiln | da4315 Early brick | a66057 Full terrace | d92319 Early terrace | 876561 Muted kiln
  b64738 Late kiln | bb1a1e Royal kiln | b52006 Royal brick | 8b4b37 Deep kiln | 9f371a Royal terrace | 794d47 Smoky kiln
  a0141f Late brick | 941206 Late terrace | 613e39 Smoky brick | 7c2c24 Inky kiln | 652a1c Dark kiln | 770c08 Inky brick
  691e0a Inky terrace | 50241f Dark brick | 5d080d Old kiln | 44211e Dark terrace | fdab83 Soft ember | d8a584 Fair ember
  fc8b63 Vivid ember | f78f43 Vivid clay | db997f Fair clay | f87842 Vivid fox | f37611 Early ember | cb8a65 Fair fox
  ac9080 Dusty ember | f95213 Early clay | d56913 Rich ember | e25918 Rich clay | a47560 Muted ember | b9580b Rich fox
  a7542d Full ember | c03c0d Early fox | 855234 Deep ember | 72574b Smoky ember | 984107 Royal ember | 764228 Deep clay
  5f4232 Smoky clay | 842804 Royal clay | 602d07 Inky ember | 442d24 Shadow ember | 462007 Dark ember | 2d1405 Midnight ember
  fdf0e4 Breath of apricot | fadac6 Breath of copper | fbcaa2 Soft apricot | fab366 Clear apricot | e3b482 Soft copper
  fbac2f Clear copper | f2a04c Clear quince | f79a1a Vivid apricot | baaca3 Dusty apricot | f98c15 Vivid copper
  d48d4e Fair apricot | bd8e68 Fair copper | d57e14 Vivid quince | b47f55 Full apricot | 9e7a5a Muted apricot | aa7045 Full copper
  ac6e17 Full quince | 8a6e5a Muted copper | 976131 Early apricot | 8e6140 Early copper | 8f510a Royal apricot
  725838 Smoky apricot | 5e3b0a Dark apricot | 493d34 Shadow apricot | 37240f Dark copper | fbdcb1 Pale honey | fcd787 Bright honey
  fcc775 Clear honey | fcc532 Clear amber | ddc48e Soft honey | cec0ab Misty honey | f6b31c Clear wheat | deb823 Early honey
  e1a338 Vivid honey | cd9812 Vivid amber | c19a60 Fair honey | a59785 Dusty honey | b8831a Vivid wheat | aa7e3e Full honey
  9d8341 Full amber | 987016 Full wheat | 7e6b53 Muted honey | 896835 Early amber | 82630a Deep honey | 66481d Deep amber
  3c2d03 Dark honey | f7f830 Bright straw | faec8a Bright barley | fae7b4 Pale straw | f9e338 Bright chaff | fbdb66 Early straw
  d2c829 Clear straw | dabf68 Clear barley | b8ad83 Dusty straw | afb22d Vivid straw | bea759 Fair straw | c1a216 Vivid barley
  9f9e13 Vivid chaff | b1931b Early barley | 9c9244 Fair barley | 998320 Full straw | 877f6c Muted straw | 807315 Full barley
  706c53 Muted barley | 676508 Deep straw | 615621 Deep barley | 5c4c05 Deep chaff | 4b4633 Shadow straw | 433c12 Dark straw
  252009 Midnight straw | f6fcd9 Pale gorse | f4fb78 Bright gorse | f7f5bd Pale broom | d0fb26 Bright broom
  e1ec97 Bright rape field | d1e328 Early gorse | ddda91 Clear gorse | d2dd66 Clear broom | abe331 Clear rape field
  bfc694 Soft gorse | b0cd29 Early broom | a0a76f Fair gorse | 8eab28 Vivid gorse | 829548 Fair broom | 778e11 Rich gorse
  81855c Muted gorse | 66713d Full gorse | 566e0c Deep gorse | 4a5c10 Deep broom | 55543f Smoky gorse | 444708 Dark gorse
  2f3103 Dark broom | f4faec Breath of lichen | defaac Bright lichen | c2f47b Bright citrus | 9dfc2c Bright lime
  90f95f Early lichen | cfe2b2 Pale lichen | 72e324 Clear lichen | aed48a Clear citrus | 94d860 Clear lime | 88cd25 Early citrus
  9fc459 Early lime | 72c753 Late lichen | 9eba90 Soft lichen | 78b250 Vivid lichen | 6bb21c Vivid citrus | 929b8c Dusty lichen
  5e9f22 Vivid lime | 7c946b Dusty citrus | 5d8942 Full lichen | 538714 Rich lichen | 437222 Deep lichen | 5a634c Smoky lichen
  2f620e Royal lichen | 395a28 Deep citrus | 2d5305 Royal citrus | 31491c Dark lichen | 2f3821 Shadow lichen | e8fae9 Breath of moss
  d2f9d1 Pale moss | a9fa98 Bright moss | cde8cf Breath of willow | 3ffa32 Bright willow | 3ef875 Bright meadow | a7df9e Clear moss
  7be68c Clear willow | a3cbaa Soft moss | 44da60 Clear meadow | 39dc27 Early moss | b7c1b4 Misty moss | 80c27d Soft willow
  4ec776 Early willow | 32c421 Vivid moss | 33bd52 Vivid willow | 49a753 Vivid meadow | 29aa1f Early meadow | 17a253 Late moss
  389437 Rich moss | 74846f Muted moss | 1c8513 Rich willow | 17731c Royal moss | 135a16 Royal willow | 183f21 Dark moss
  0c3c05 Inky moss | 1a271d Night moss | 072a12 Midnight moss | 0a1b04 Midnight willow | a3f8d4 Bright fern | a1f7b8 Bright bracken
  4df8a8 Bright hedge | a6dec4 Soft fern | 82d9a1 Clear fern | 2ee088 Clear bracken | 2ec896 Clear hedge | 77af86 Fair fern
  40b57c Fair bracken | 83a290 Dusty fern | 2ba278 Fair hedge | 569268 Full fern | 188f65 Full bracken | 298050 Full hedge
  52705e Muted fern | 1d6e3e Deep fern | 4e6158 Smoky fern | 04552b Deep bracken | 34453b Shadow fern | 51fbd9 Bright clover
  4afac2 Bright holly | 7edcc6 Soft clover | 3ee1ae Clear clover | 30dcbf Clear holly | 6abba7 Fair clover | 27c1a3 Fair holly
  26957f Full clover | 417e69 Muted clover | 11785e Full holly | 195d49 Deep clover | 0c4a40 Dark clover | cbf6ee Breath of pine
  a7fcec Pale pine | 79ede5 Pale spruce | 3befde Clear pine | b6d6d0 Misty pine | 90d7d4 Soft pine | 36cac6 Soft spruce
  60b5b1 Fair pine | 94acaa Dusty pine | 29b0a0 Fair spruce | 209891 Full pine | 518982 Muted pine | 198077 Full spruce
  517a73 Muted spruce | 146562 Deep pine | 043733 Shadow pine | e0fafa Breath of mint | b2f2f5 Pale mint | 38faf8 Bright mint
  8cf2fa Pale sage | 33e8f2 Clear mint | 49d1dc Soft mint | 6ea8ab Dusty mint | 29adb2 Fair mint | 148c94 Full mint
  1e7a80 Muted mint | 075e65 Smoky mint | 4ddaf5 Soft lagoon | 8ac4cf Misty lagoon | 2cbcd3 Fair lagoon | 7d9599 Dusty lagoon
  219daf Fair eddy | 6396a2 Dusty eddy | 667d80 Muted lagoon | 4c808e Muted eddy | 426f75 Smoky lagoon | 0b4951 Shadow lagoon
  041c21 Night lagoon | bfe2f1 Breath of teal pond | 95e1f9 Soft teal pond | 45ccf9 Soft weir | 26b0d7 Fair teal pond
  1f99be Fair weir | 1f87a1 Muted teal pond | 10748e Full teal pond | 0f6176 Smoky teal pond | 19363f Shadow teal pond
  b5dbfa Soft brook | 8bc9f7 Soft kingfisher | aabac4 Misty brook | 40bcf7 Soft heron | 63afdd Fair brook | 91a3ae Dusty brook
  5d8097 Muted brook | 5b707e Muted kingfisher | 236c91 Deep brook | 3f5865 Smoky brook | d1e1f5 Breath of harbour
  64adfa Fair harbour | 9ba9bc Dusty harbour | 2ba8f6 Fair cornflower | 759fc7 Dusty cornflower | 8395ac Dusty sail
  2a96d5 Fair sail | 1d7eb0 Full harbour | 505b68 Smoky harbour | 134771 Dark harbour | 323c47 Shadow harbour
  0d2c44 Dark cornflower | 0f2331 Night harbour | b3c5f8 Soft sky pier | 8cacf2 Fair sky pier | 2f93f1 Fair bluebell
  2882d4 Full sky pier | 4f71b9 Full bluebell | 1670c8 Full high noon | 576580 Smoky sky pier | 426290 Deep sky pier
  1c5f9d Deep bluebell | 3a4d72 Deep high noon | 10366b Dark sky pier | 031833 Midnight sky pier | 090d1b Night sky pier
  cfd3f5 Misty storm | c2bdfc Soft storm | afb2ca Misty larkspur | a1a6d7 Fair storm | 9c9ef9 Vivid storm | 9490db Fair larkspur
  6f93f9 Vivid larkspur | 857ff6 Vivid tempest | 8b8c9a Dusty storm | 7383c5 Full storm | 3d81f6 Rich storm | 5677dc Rich larkspur
  596bf6 Rich tempest | 646dc5 Full larkspur | 727097 Muted storm | 256aec Early storm | 636ca1 Full tempest | 3657f1 Early larkspur
  615f77 Smoky storm | 255bc1 Royal storm | 134997 Royal larkspur | 47485c Smoky larkspur | 1f3793 Inky storm | 373845 Shadow storm
  0f2175 Inky larkspur | 21202b Night storm | 0d1a4e Black storm | 080227 Black larkspur | e2d7fa Pale indigo | d8c1f7 Soft indigo
  beaecc Misty indigo | caa3f6 Clear indigo | b199dd Fair indigo | b890fd Vivid indigo | ad9dc7 Dusty indigo | ae87db Fair iris
  9d95a2 Dusty iris | a38cc6 Fair dusk | a070fa Vivid iris | 9176cd Full indigo | 897c9b Muted indigo | 9b58f8 Rich indigo
  8d71a3 Full iris | 7662ec Rich iris | 8259c9 Rich dusk | 784df7 Early indigo | 921bef Royal indigo | 754faa Royal iris
  7240cf Royal dusk | 4745e5 Early iris | 6b527d Deep indigo | 5f24f7 Early dusk | 514ab3 Late indigo | 5c4c89 Deep iris
  6a0ed7 Late iris | 232fe9 Late dusk | 5b31b8 Old indigo | 340fe8 Old iris | 633585 Old dusk | 4d398c New indigo | 494170 Deep dusk
  5110ae Inky indigo | 1c2ab3 Inky iris | 2410be Inky dusk | 401d96 New iris | 3f2656 Dark indigo | 35293e Shadow indigo
  1c0b8d New dusk | 340c73 Far indigo | 140b5e Black indigo | 190841 Black iris | fadafb Pale damson | e0d3e2 Misty damson
  f7baf0 Soft damson | e1bee1 Soft violet | f1adf9 Clear damson | ef93f9 Clear violet | c699d4 Fair damson | f078f5 Vivid damson
  d48ddb Fair violet | d377f6 Vivid violet | f544f5 Vivid grape | d765ce Early damson | d759f5 Early violet | b17db3 Fair grape
  e42fe6 Rich damson | 8d808d Muted damson | b063d1 Rich violet | cf2af2 Rich grape | ca27cb Early grape | ac49c3 Late damson
  985fa2 Full damson | b320f0 Late violet | aa19ba Royal damson | 8c3da7 Royal violet | 861eaa Royal grape | 891887 Late grape
  584a57 Smoky damson | 5d376d Dark damson | 6c1393 Inky damson | 403643 Shadow damson | 560d79 Inky violet | 541551 Inky grape
  420b53 Black damson | 2d1839 Midnight damson | fae7f5 Breath of plum | f79fd5 Soft plum | fa81d3 Vivid plum | bc97b1 Dusty plum
  d085b3 Fair plum | f741c9 Vivid heather | a67892 Muted plum | e424bb Rich plum | bd57a4 Full plum | 8e6d83 Muted heather
  c11da2 Rich heather | 8c5b81 Full heather | 9b4284 Deep plum | a61693 Royal plum | 6c5266 Smoky plum | 7e3d75 Deep heather
  5c3f53 Smoky heather | 761168 Inky plum | 461b3b Dark plum | 261722 Night plum | 27021c Black plum | faccdd Pale thistle
  f7b8d5 Soft thistle | d5c4cb Misty thistle | f991b9 Soft orchid | cf98b3 Fair thistle | f775af Vivid thistle
  a28791 Dusty thistle | cf6a99 Full thistle | f53ba3 Rich thistle | ee2987 Rich orchid | ad658b Full orchid | db2091 Rich peony
  bb3584 Early thistle | b61763 Royal thistle | a81973 Royal orchid | 77445e Deep thistle | 931958 Royal peony | 7d0d55 Inky thistle
  6b284b Dark thistle | 530a33 Inky orchid
`;

/** 560 made-up threads: twelve plain ones, and the others by hue and depth. */
export const THREAD_CHART: readonly ChartThread[] = [
  ...PLAIN,
  ...SPREAD.trim()
    .split(/\s*[|\n]\s*/)
    .map((entry, i) => ({ code: `V${101 + i}`, name: entry.slice(7), hex: `#${entry.slice(0, 6)}` })),
];
