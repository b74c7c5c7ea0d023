// node_modules/entities/dist/decode-codepoint.js
var c1 = [
  8364,
  0,
  8218,
  402,
  8222,
  8230,
  8224,
  8225,
  710,
  8240,
  352,
  8249,
  338,
  0,
  381,
  0,
  0,
  8216,
  8217,
  8220,
  8221,
  8226,
  8211,
  8212,
  732,
  8482,
  353,
  8250,
  339,
  0,
  382,
  376
];
function isInvalidCodePoint(codePoint) {
  return codePoint === 0 || codePoint >= 55296 && codePoint <= 57343 || codePoint > 1114111;
}
function replaceCodePoint(codePoint) {
  if (isInvalidCodePoint(codePoint)) {
    return 65533;
  }
  if (codePoint >= 128 && codePoint <= 159) {
    return c1[codePoint - 128] || codePoint;
  }
  return codePoint;
}
function codePointToString(codePoint) {
  return codePoint - 1 >>> 0 < 127 || codePoint - 160 >>> 0 < 55136 ? String.fromCharCode(codePoint) : String.fromCodePoint(replaceCodePoint(codePoint));
}

// node_modules/entities/dist/generated/decode-data-html.js
var htmlDecodeData = ["Q=\xA8`p0AEligMPacutebrevecircyfrgravelphamacrndogonpfpplyFunctionringscrsigntildeumlBackslashrvwedcyecausernoullistafropfrevescrumpeqCHcyOPYacutepitalDifferentialDyleyscaronedilirconintdotedillanterDotfrhiircleDotMinusPlusTimeslockwiseContourIntegralseCurlyDoubleQuoteQuoteolonengruentinttourIntegralpfroductunterClockwiseContourIntegralrossscrupCapDDotrahdJcyScyZcyaggerrrshvcaronyeltafriacriticalAcuteDotubleAcuteGraveTildemondfferentialDopftDotEqualubleContourIntegralDotwnArrowLeftArrowRightArrowTeeongLeftArrowRightArrowRightArrowRightArrowTeeUpArrowDownArrowVerticalBarwnArrowBarUpArrowBreveLeftRightVectorTeeVectorVectorBarRightTeeVectorVectorBarTeeArrowarrowscrtrokENGTHacutecaronircydotfrgravelementmacrptySmallSquareVerySmallSquareogonpfpsilonqualTildeilibriumscrimtaumlxistsponentialEFcyfrilledSmallSquareVerySmallSquareopfrAlluriertrfscrGJcyTammadbrevecedilircydotfrgopfreaterEqualLessFullEqualGreaterLessSlantEqualTildescrtHARDcyacektcircfrilbertSpaceopfrizontalLinescrtrokumpDownHumpEqualIEcyJligOcyacutecircydotfrgravemacrginaryIpliesntegralrsectionvisibleCommaTimesogonpftascrtildeukcymlJcircyfropfscrercyukcyKHcyJcyappacedilyfropfscrLJcyTacutembdangplacetrfrrcaronedilyeftAngleBracketrrowBarRightArrowCeilingDoubleBracketwnTeeVectorVectorBarFloorRightArrowVectorTeeArrowVectorriangleBarEqualUpDownVectorTeeVectorVectorBarVectorBararrowrightarrowssEqualGreaterFullEqualGreaterLessSlantEqualTildefrleftarrowmidotongLeftArrowRightArrowRightArrowleftarrowrightarrowrightarrowpfwerLeftArrowRightArrowscrhtroktMapcyediumSpacellintrffrinusPlusopfscruNJcyacutecaronedilyegativeMediumSpaceThickSpacenSpaceVeryThinSpacestedGreaterGreaterLessLesswLinefroBreaknBreakingSpacepftCongruentupCapDoubleVerticalBarElementqualTildexistsGreaterEqualFullEqualGreaterLessSlantEqualTildeHumpDownHumpEqualLeftTriangleBarEqualssEqualGreaterLessSlantEqualTildeNestedGreaterGreaterLessLessPrecedesEqualSlantEqualReverseElementightTriangleBarEqualSquareSubsetEqualpersetEqualubsetEqualcceedsEqualSlantEqualTildepersetEqualTildeEqualFullEqualTildeVerticalBarscrtildeuOEligacutecircydblacfrgravemacregaicronopfpenCurlyDoubleQuoteQuoterscrlashtildemesumlverBarraceketParenthesisPartialDcyfrhiilusMinusoincareplanepfrecedesEqualSlantEqualTildeimeoductportionalscriQUOTfropfscrRBarrEGacutengrrtlcaronedilyeverseElementquilibriumUpEquilibriumfrhoightAngleBracketrrowBarLeftArrowCeilingDoubleBracketwnTeeVectorVectorBarFloorTeeArrowVectorriangleBarEqualUpDownVectorTeeVectorVectorBarVectorBararrowopfundImpliesrightarrowscrhuleDelayedSHCHcycyOFTcyacutecaronedilircyfrhortDownArrowLeftArrowRightArrowUpArrowigmamallCircleopfqrtuareIntersectionSubsetEqualpersetEqualUnionscrtarubsetEqualcceedsEqualSlantEqualTildehThatmpersetEqualsetTHORNRADESHcycyabucaronedilyfrhereforetaickSpacenSpaceildeEqualFullEqualTildeopfripleDotscrtrokUacuterrocirbrcyevecircydblacfrgravemacrnderBarraceketParenthesisionPlusogonpfpArrowBarDownArrowDownArrowEquilibriumTeeArrowarrowdownarrowperLeftArrowRightArrowsilonringscrtildeumlVDashbarcydashleerbarticalBarLineSeparatorTildeyThinSpacefropfscrvdashWcircedgefropfscrXfriopfscrYAcyIcyUcyacutecircyfropfscrumlZHcyacutecaronydoteroWidthSpacetafropfscraacutebrevecEdircuteyeligfrgravelefsymphphamacrlgpndanddslopevgelemsdaabcdefghrtvbdsphtzarrogonpfpEacireidosproxeqringscrtympeqtildeumlwconintintbNotackcongepsilonprimesimeqrveewedgebrktbrkcongydquoecausemptyvpsirnoutahweenfrigcapircupodotplustimessqcuptartriangledownupuplusveewedgekarowlacklozengesquaretriangledownleftrightnkk12434ocknequivotopfttomwtiexDLRlrHDUduULRlrVHLRhlrboxdLRlrhDUduminusplustimesuLRlrvHLRhlrprimerevevbarscremiimeolbhsubulletmpEeqcacutepandbrcupcapupdotsretoncapsronedilircupssmdotedilmptyvnterdotfrhcyeckmarkiirEceqlearrowleftrightdRSastcircdashefnintmidscirlubsuitoloneqmmatpfnlementxesngdotintpfrodysrrarrossscrubepetdotudarrlreprsclarrppbrcapcapupdotorsrarrmlyeqprecsuccveewedgerenvearrowleftrightveewedwconintintylctydArrHaraggerlethrrshvbkarowlaccaronydaggerrrotseqegltamptyvfishtrharlriamondsuitsegammasinvideontimesonxjcylcornropollarpfteqdotminusplussquareublebarwedgewnarrowdownarrowsharpoonleftrightrbkarowcornropscryoltroktdotrifuarrharwanglezcyigrarreDDototacutestercaronircolonydotefDotrgravesdotlinterslsdotmacrptysetvsp134ngspogonpfparsllussilonvqcircolonsimlantgtrlessualsestivDDvparslrDotarrscrdotimtahumlroxclistpectationonentialefallingdotseqcyemalefiligligligriligjliglatligtnsnofopfrallkvpartintrac123456823534584556878slownscrgElacutemmadpbrevecircydotelqqslantsccdotollesfrggimeljcylEajnEapproxeqqsimopfravescrimeltccirdotlParquestrapproxrrdoteqlessqlesslesssimvertneqqnEhArrairsplfmiltrdcyrcirwbarcirceartsuitlliprconfrksearowwarowoarrmthtokleftarrowrightarrowpfrbarscrlashtrokybullpheniacutecircyecyxclffrgraveiiintntnfinotajligmacrgelinepartthofpedncarefintieodottcalegersrcallarhkprodocygonpftaprodquestscrinEdotsvvtildeukcymljcircyfrmathopfscrercyukcykappavcedilyfrgreenhcyjcyopfscrlAarrrrtailBarrEgHaracuteemptyvgranmbdangdlepquorrbfsfshklpplsimtltailesbarrbrkracekkeslducaronedililubydcaquorrdharusharsheftarrowtailharpoondownupleftarrowsrightarrowsharpoonssquigarrowthreetimesgqqslantsccdotorgessapproxdoteqgtrqgtrgtrsimfishtloorrgEhardulblkjcylarrcornerhardtrimidotoustachenEapproxeqqsimoangrrbrkngleftarrowrightarrowmapstorightarrowoparrowleftrightparflustimeswastbarzengefparltrarrcornerhardmtrisaquocrhimegqbuortroktccirdothreeimeslarrquestrPariefurdsharuharvertneqqnEmDDotacrletesepstodownleftuprkercommaydasheasuredanglefrhoicrodastcirdotnusbdulcpdrnplusodelspfpscrtposultimapmapnGgtvLeftarrowrightarrowltvRightarrowVDashdashablacutengpEidosproxturalsbspumpecapronedilongdotupydasheArrarhkrowdotquivsearimxistsfrgEeqqslantssimtrhArrarrparisdvjcylArrEarrdreftarrowrightarrowqqslantsssimtriemidopftinEdotvabcnivabcparallelsltolintrcueeceqrArrarrcwightarrowtriesccueerhortmidparallelimeqmidparqsubepeubEeseteqqcceqpEeseteqqtglildelgrianglelefteqrightequmerospvDashHarrapdashgetinfinlArretrierArrtriesimwArrarhkrownearoSacutestcircydashblacivotsoldeligfcirrgonravethbarmintlarrcirrossinetmacregaicrondnusopfparerplusrarrderoffmigoforslopevscrlasholtildemesasumlvbarparallelsimltcyercntiodmilptenkfrhivmmatoneitchforkvlanckhkvusacirbcirdouemnsimtwomointintpfundrEapcueecapproxcurlyeqeqnapproxeqqsimsimimesnEapsimodfalarlinesurfptosimurelscriuncspqfrintopfprimescruaternionsintesteqotrAarrrrtailBarrHaraceutedicemptyvngdelequorrapbfscfshklpplsimtlwtailionalsbarrbrkracekkeslducaronedililubydcaldharquorshealinepartsctgfishtloorrhardulovightarrowtailharpoondownupleftarrowsharpoonsrightarrowssquigarrowthreetimesngsingdotseqlarrharmmoustachenmidoangrrbrkparflustimespargtpolintrarrsaquocrhqbuorthreeimesriefltriuluharxsacutebquocEaproncueedilircnEapsimpolintsimydotbeeArrarhkrowctmiswartminusnxtfrownharpchcyyortmidparallelyigmafvmdoteqgElEneplusrarrlarrmallsetminusshpeparslidletesoftcylbarpfpadesuitrqcapsupssubeseteqpesetequareffrarrscretmnmiletarftarfraightepsilonphinsubEdotedotmultnEeplusrarrseteqqneqqimubpccapproxcurlyeqeqnapproxeqqsimsimmngp123EdotsubedothsolublarrmultnEeplusseteqqneqqimubpwArrarhkrownwarzligtargetubrkcaronedilydotelrecfrhere4foretasymvickapproxsimnspkapsimornildemesbardntoeapbotcirforksaprimeradeiangledownlefteqqrighteqdoteminusplussbtimepeziumscryhcytrokwixtoheadleftarrowrightarrowuArrHaracuterrbrcyevecircydarrblacharfishtrgraveharlrblklcornerroptrimacrlogonpfparrowdownarrowharpoonleftrightlussihlonuparrowsrcornerropingtriscrtdotilderifuarrmlwanglevArrBarvDashangrtrepsilonkappanothingphiiroptorhosigmaubsetneqqpsetneqqthetariangleleftrightcydasheebareqlliprbartfrltrinsubpopfproprtriscrubnEepnEezigzagwcircedbargeqierpfropfpreathscrxcapircupdtrifrhArrarrilArrarrmapnisodotpflustimerArrarrscrqcupuplustriveewedgeyacuteycircyenfricyopfscrucymlzacutecaronydoteetrftafrhcyigrarropfscrwjnjC(D%D($(D'%$$ED($'$'$%$'%E$/D'$F%'D(D&#,%%&&$%$)%+%%$E$F$'$&$(#'D&$(%$&4%($(E'%&%($&$)%*$%$%$+)()')($:&5-($'($%*&&&/%%&)%@$'$F$%&&#%%)$&$&$&$(%%%&$(%$$%&%$E$2.&0,.(.(&'%.$F%$&&&(%6)&+*),---&*/1---)-.&)*+,).%*,&,*'('2+,+)1&'1,)2&'&*('($F%'#&D%D($(E&%$$&$ED($)$'%1(2$'%E$)$'((&+$&%%$%D&$(%-#&$E$3)2$F%'%+$&#'D$$'($$($(%&%$$&$E$$$F$./'*,***'*-*($F$$#)$'%$$'$%$.$&%/$&%'$.'(#'$'$&D(D'%$$&$%D($$%&&*%($%&('+%/,($'%E%%$&$($'E%#(%$$E$F$F%'$'#'$&$'$(%$$E$F$F#'D$$(%'%%%+%%$(%'%$$2(',&,-'*'0).+)1&'('-,)'&*(*)(*/&/('/),))/&')-&'('-%1','*'''-'($E$$%+$($/+-'-',+-'-%E%/(-$&%$%'$$#&$%$-%*$E$+$F$&$$#'$($(%'%$$5+-.)+0%5)+%($E$)%1%%%$&,'(&4&*''+H'(&*-(-L-J-'-M-(&O*H&/2F2((%*(***G*M*(&W,K&+.H.-&1'/3F3(&O2(.I4('H,(().H.-.H(I.(&(+(+,+(&.$FD($$#(D(D'%$$($ED($'%&%($F$6,($$$FE'D(&&D&$)('+&'.#+$%$E$%$$$+$/%%$$%)+(+-+(%&%(&*-%$F%$C'$E$&$F#(D%$(%%%%'%$(%'%$$$%/+-*0$%$%$3)'-&-,(*(0*.,)2&(((&+(+))*0&0((/*,*)0&().&(($&%-$-$&%$$-#)%%$($($$%'%'%&%$$E$0(,(-(*$'$-$F$&%')/))/(+)1()($F$&$%&&)(%)+(+-+(&(%$%$&(+(&&C($'$'%%$%%$$(%'%$$E$+&%%K&)$'(((,(($F$+$F%'C)%%''$'&&D'%$$($ED($'$*)',&(.%&('$'%E$)*&*,%,%.%&((%(%,%/(-%%'&$'$F$(D&#($&$%$'($$%%'&$'*+'+,+(&-$E$F$F$(#($'$E$F$F#F$$$F$F#'$&$&D($'%$$E$F$F$&#'$($(%$$&$0%%$%$&$FC)$($$%D%$E&E&%$D'$$%DD($)&%%&$'&%E$$%&&&$&(&$%$&$&%&&)%*$*$*$*$*$*$*$&%(%*$&&'$&'$'%E$$%$%'%$%%%%%')%D'$F%$%&(%D(D&$*%&#'$*'*'('&*%%'&&)%$&''$'%$$'$()$%(%&%'%%&$&'$E$('&'%&''''(&('&&/.%&(&&&($($.()(+0'0'0(&%%&'$&%%&$E&G%%$F%$&&%'%&'$'$'$&$'$'$'$'$&%'$'$'$&$'$'$'$'$'$'$&&&%'$'$'$&$'$'$'$'$&(&'&(&%'$'$'$&$'$'$'$'$'$'$$($'E'$F%&%%'$%%'$''$&'%%%'$'$($#)%$&&&(&&'%&&&D%&&%$'&&E'%&%&(%$&D'%(E%'($E$&%&('%$$%&$&$'%'..()%*$*&*'*'&$&(&&&'$'(&$'($)$%&($&$'%'))&%%'&&&%E&&F$'%$'%&$F%%'$&$'$$'$))$%&&%%')$%$&(&&'%&&&%&D%')$&+*'(&((F&&.-(%&%&$*%&$(#'$&$(%'%%%%'$$)%&$(%$$$%(&%%(D%%&%($(%D$''$$&'&*''$%$%(%&%$F&)*&&$&$(&&$(%E%$&%(&&(&'&)%/%*'-'..($*%'&&$F&$%%%'$'%%'$$'%&$)$&%)#(%%D(%'$(%%G$%'%$$&$$$'%D$$E'%$&&$$%)%$%$&&$'%&(&($%%'%($$%%%$'%E$&'%%&%%'&'$$(&'%&&**'%'&&&%(%%)$'%&$&%&%%$%E$D&%%$&%&%,&,#0$%$($(%&&&%D$'$G$&%&%&$&$F%'&$'$$*D(($H$($($($'%($G%($($'%'%($'%&%%&$F#%%$$(%&($%$$($'%$$&$$%$%$&$&(%$&%&&)$*$&D'%$E$$%$$'$&$$%$%$%$$%%%''%$&$'$%&$F$'$&%%'$'$D$%%&%%&%'%(%*'%&&&)((&'&&$K%E#'$(%%%'%'&$'&'$$&$'$()&%'%'$E$*&($'%'%.'-%E%'$F%'%'$(%'C)$$E&%$$&E&$%%DD($$%'&%%'%&$'$'&%''''&%%%%&$$%'%&(&%'%$&&&(''&(&'$&%&%E%%$'D($F%%'$'&'$($'$$$%'$'E%#(%$$E$'$F$F%'$'#(($$(%$$E$($&$&$F$F#(%%%'$'$$%$$&$(%)%'%'%%'$'%%$E&%%'$(%'%'%'%'%'&'%%$&&&$'D$'%&%'($&%'&)$$(%'&%%%%$$&%&($%(&(%%$$%*,''..%'-'-1$,+,-'-%$%$&$&(%$&%&&)$*$&D'%&*'&'()''&'&$(%'%D$$%$$''$($%&$&$$%&%)%'%&$(%')'$%%%''%$&$'$%&$'&%%&%.+-')'-%.,(%&&D&&%(%'&&%$&'&$$&'%$'%)%&($%$%&$(%E%$%%'$'$%%&%($%'D$%%&%%&%'%'%'%(%'&$'$'$$*&'$K%E#(D&%%&$'&%$&&)')')%%'$(%$$'$/$E$%D'%$&&&&F&%&($($)$$&%%$($(%E$$$F%'$$%)%&#F%D&D$,(-%D%D&D$-$(%'$'%'%E%$&D&E&%&'%&(%*$D&%F(D$&&&%'%&(F%%%$$'$$%&%''$(%%F%'%'&E%')$$E$E%$&$'D'H&D%&%$&$$'%&%&$$%$&$%$$&$'%D%&%%%$&*(-&$'D'H&D'$%&%$&%($$&$FE$&%(D(F(%)$)$&%(%)$)$$&'('E'D%(%$&&&D'$(E$'%&(D(D%,%&($$%&&&D&D%*)+%%'$($%&%&%((%%%'D'$'F*%,D&%(E&$'D'$'F*%,D$&E'%%%.0%,(1%$$%$&&&%$(%'%E%'%E&D%(%'&D&D'F%'&G%F$'%''$(%%'#%D(%%$&G$%$$'%'%%%%%'$'$'%D$&E'%$$'%$$&$'%&&'%&%$$'%&%(&$&&$F$&%&%&$$%&%$&%(%F$F$%'%%%(%$$&E'%%D(&&)%D&$'#&F$''&&'$&$$%$(&&&&&$&'$E$%&$%'%&$$%*%$$()$'%%%'''$'&'%($'$G%'&'&$$$*%EE&$$%$%%%&%$&$')'*'%'*(&(&'&%&($%%&%&&%%&(''''&$'%%&%'$F%$$(#F$&$F$($F$-'&%&(%E%#(%%%'$'$&$F&&%&%)%%'$'$'%E&%%'%'$(%'$'%'%'%'%'&'%'$%'&%('$'%&%'($&%'&)$$(%'&%%%%$$&%(%&($%%$&'&'''$%%E$$(%'%D$''$($%$&$$,-'(./%(-,+(.(-(-%%%-$'%&%$$()'$'$'&%%&%&&D&&%($&'%%)$'$(%E%$%%&%($$(%'%%'$'$''$)$$#)$'$$%$%%&&%&%$&&%&%%&%&&%)%&%$$&'$'$$'%''$(%E%%%%'%)'$%%$E&&$'%'&$%)(+E$$'($($%$&&&$'$&$'$&$'$&%&'&'$'$/&&%)%%&%%$&$'D$(%$&$'%%E$()&&$$'(D&%(D%&($(&+%'$($(&+%%$&&($&$$'$F%'%'%'$&'$%0+&&%$%&$&&&$'&&'&%'$&'&'&&)%+$)&,$'%'%($%%')'*'%'*(&(&'&%$%%%$F$F$F$&$&&'&&$'&&'(%&'&'&%'$&'&&)%+$)&,$'%'%($$'%''$(%%'D'#)%$$&$(%'%$$&$($E$(('&%(&($%,(&&&%&&&E&$'E&($)%($%%$&%$&&&&&D'&%%$($'%)+'+'/%+$+(0%&&&$&(&'&%&'%)$F&$%&%'$'%1*-#'$&D(%%$'&&D'%$$'%'%&$(%DD($''$%&$()%&&%&$'E$$'%E$)%,%.,(%&%%'$'&%+$()%&&%&%&$F$'%'%%'$$'E%$)#'$&'$$'$(%+&(&*&&'$'(&$'%&('K/D(J/D&('..($%$'$%&&&%%'%'&$$E$'$G'D$F$'$'$F%G(D&F(D$)#($(&%($%'$E$F$$$$%'$F#'%&%%$'$E$'%&$$$'%&$&$&$'%E&&%'$'%&$F%'$(%&$&$(C)&$$'%$D%$E$&$F$F$&E%#)$(%$$&$(%%$E$&$)$F$F$%%%0@0000H8H40H000047P00P@001000@0B0HP@:H9T8P000LB8d@800@I0<110000QQ8400P10030005940@410020000Q02000@0200000@P0101@8000440400000000808000000000@00000000P`0000000040400@0004<000000000008000030000000000P020T400020@0@00000000000000000000000000P0000000400400000400220080000100000000000000000P000000000000P000000@00402000000000@00000000000000000000040000000000000", '\xC6&\xC1\u0102\xC2\u0410\u{1D504}\xC0\u0391\u0100\u2A53\u0104\u{1D538}\u2061\xC5\u{1D49C}\u2254\xC3\xC4\u2216\u2AE7\u2306\u0411\u2235\u212C\u0392\u{1D505}\u{1D539}\u02D8\u212C\u224E\u0427\xA9\u0106\u22D2\u2145\u212D\u010C\xC7\u0108\u2230\u010A\xB8\xB7\u212D\u03A7\u2299\u2296\u2295\u2297\u2232\u201D\u2019\u2237\u2A74\u2261\u222F\u222E\u2102\u2210\u2233\u2A2F\u{1D49E}\u22D3\u224D\u2145\u2911\u0402\u0405\u040F\u2021\u21A1\u2AE4\u010E\u0414\u2207\u0394\u{1D507}\xB4\u02D9\u02DD`\u02DC\u22C4\u2146\u{1D53B}\xA8\u20DC\u2250\u222F\xA8\u21D3\u21D0\u21D4\u2AE4\u27F8\u27FA\u27F9\u21D2\u22A8\u21D1\u21D5\u2225\u2193\u2913\u21F5\u0311\u2950\u295E\u21BD\u2956\u295F\u21C1\u2957\u22A4\u21A7\u21D3\u{1D49F}\u0110\u014A\xD0\xC9\u011A\xCA\u042D\u0116\u{1D508}\xC8\u2208\u0112\u25FB\u25AB\u0118\u{1D53C}\u0395\u2A75\u2242\u21CC\u2130\u2A73\u0397\xCB\u2203\u2147\u0424\u{1D509}\u25FC\u25AA\u{1D53D}\u2200\u2131\u2131\u0403>\u0393\u03DC\u011E\u0122\u011C\u0413\u0120\u{1D50A}\u22D9\u{1D53E}\u2265\u22DB\u2267\u2AA2\u2277\u2A7E\u2273\u{1D4A2}\u226B\u042A\u02C7^\u0124\u210C\u210B\u210D\u2500\u210B\u0126\u224E\u224F\u0415\u0132\u0401\xCD\xCE\u0418\u0130\u2111\xCC\u2111\u012A\u2148\u21D2\u222C\u222B\u22C2\u2063\u2062\u012E\u{1D540}\u0399\u2110\u0128\u0406\xCF\u0134\u0419\u{1D50D}\u{1D541}\u{1D4A5}\u0408\u0404\u0425\u040C\u039A\u0136\u041A\u{1D50E}\u{1D542}\u{1D4A6}\u0409<\u0139\u039B\u27EA\u2112\u219E\u013D\u013B\u041B\u27E8\u2190\u21E4\u21C6\u2308\u27E6\u2961\u21C3\u2959\u230A\u2194\u294E\u22A3\u21A4\u295A\u22B2\u29CF\u22B4\u2951\u2960\u21BF\u2958\u21BC\u2952\u21D0\u21D4\u22DA\u2266\u2276\u2AA1\u2A7D\u2272\u{1D50F}\u22D8\u21DA\u013F\u27F5\u27F7\u27F6\u27F8\u27FA\u27F9\u{1D543}\u2199\u2198\u2112\u21B0\u0141\u226A\u2905\u041C\u205F\u2133\u{1D510}\u2213\u{1D544}\u2133\u039C\u040A\u0143\u0147\u0145\u041D\u200B\u200B\u200B\u200B\u226B\u226A\n\u{1D511}\u2060\xA0\u2115\u2AEC\u2262\u226D\u2226\u2209\u2260\u2242\u0338\u2204\u226F\u2271\u2267\u0338\u226B\u0338\u2279\u2A7E\u0338\u2275\u224E\u0338\u224F\u0338\u22EA\u29CF\u0338\u22EC\u226E\u2270\u2278\u226A\u0338\u2A7D\u0338\u2274\u2AA2\u0338\u2AA1\u0338\u2280\u2AAF\u0338\u22E0\u220C\u22EB\u29D0\u0338\u22ED\u228F\u0338\u22E2\u2290\u0338\u22E3\u2282\u20D2\u2288\u2281\u2AB0\u0338\u22E1\u227F\u0338\u2283\u20D2\u2289\u2241\u2244\u2247\u2249\u2224\u{1D4A9}\xD1\u039D\u0152\xD3\xD4\u041E\u0150\u{1D512}\xD2\u014C\u03A9\u039F\u{1D546}\u201C\u2018\u2A54\u{1D4AA}\xD8\xD5\u2A37\xD6\u203E\u23DE\u23B4\u23DC\u2202\u041F\u{1D513}\u03A6\u03A0\xB1\u210C\u2119\u2ABB\u227A\u2AAF\u227C\u227E\u2033\u220F\u2237\u221D\u{1D4AB}\u03A8"\u{1D514}\u211A\u{1D4AC}\u2910\xAE\u0154\u27EB\u21A0\u2916\u0158\u0156\u0420\u211C\u220B\u21CB\u296F\u211C\u03A1\u27E9\u2192\u21E5\u21C4\u2309\u27E7\u295D\u21C2\u2955\u230B\u22A2\u21A6\u295B\u22B3\u29D0\u22B5\u294F\u295C\u21BE\u2954\u21C0\u2953\u21D2\u211D\u2970\u21DB\u211B\u21B1\u29F4\u0429\u0428\u042C\u015A\u2ABC\u0160\u015E\u015C\u0421\u{1D516}\u2193\u2190\u2192\u2191\u03A3\u2218\u{1D54A}\u221A\u25A1\u2293\u228F\u2291\u2290\u2292\u2294\u{1D4AE}\u22C6\u22D0\u22D0\u2286\u227B\u2AB0\u227D\u227F\u220B\u2211\u22D1\u2283\u2287\u22D1\xDE\u2122\u040B\u0426	\u03A4\u0164\u0162\u0422\u{1D517}\u2234\u0398\u205F\u200A\u2009\u223C\u2243\u2245\u2248\u{1D54B}\u20DB\u{1D4AF}\u0166\xDA\u219F\u2949\u040E\u016C\xDB\u0423\u0170\u{1D518}\xD9\u016A_\u23DF\u23B5\u23DD\u22C3\u228E\u0172\u{1D54C}\u2191\u2912\u21C5\u2195\u296E\u22A5\u21A5\u21D1\u21D5\u2196\u2197\u03D2\u03A5\u016E\u{1D4B0}\u0168\xDC\u22AB\u2AEB\u0412\u22A9\u2AE6\u22C1\u2016\u2016\u2223|\u2758\u2240\u200A\u{1D519}\u{1D54D}\u{1D4B1}\u22AA\u0174\u22C0\u{1D51A}\u{1D54E}\u{1D4B2}\u{1D51B}\u039E\u{1D54F}\u{1D4B3}\u042F\u0407\u042E\xDD\u0176\u042B\u{1D51C}\u{1D550}\u{1D4B4}\u0178\u0416\u0179\u017D\u0417\u017B\u200B\u0396\u2128\u2124\u{1D4B5}\xE1\u0103\u223E\u223E\u0333\u223F\xE2\xB4\u0430\xE6\u2061\u{1D51E}\xE0\u2135\u2135\u03B1\u0101\u2A3F&\u2227\u2A55\u2A5C\u2A58\u2A5A\u2220\u29A4\u2220\u2221\u29A8\u29A9\u29AA\u29AB\u29AC\u29AD\u29AE\u29AF\u221F\u22BE\u299D\u2222\xC5\u237C\u0105\u{1D552}\u2248\u2A70\u2A6F\u224A\u224B\'\u2248\u224A\xE5\u{1D4B6}*\u2248\u224D\xE3\xE4\u2233\u2A11\u2AED\u224C\u03F6\u2035\u223D\u22CD\u22BD\u2305\u2305\u23B5\u23B6\u224C\u0431\u201E\u2235\u2235\u29B0\u03F6\u212C\u03B2\u2136\u226C\u{1D51F}\u22C2\u25EF\u22C3\u2A00\u2A01\u2A02\u2A06\u2605\u25BD\u25B3\u2A04\u22C1\u22C0\u290D\u29EB\u25AA\u25B4\u25BE\u25C2\u25B8\u2423\u2592\u2591\u2593\u2588=\u20E5\u2261\u20E5\u2310\u{1D553}\u22A5\u22A5\u22C8\u2557\u2554\u2556\u2553\u2550\u2566\u2569\u2564\u2567\u255D\u255A\u255C\u2559\u2551\u256C\u2563\u2560\u256B\u2562\u255F\u29C9\u2555\u2552\u2510\u250C\u2500\u2565\u2568\u252C\u2534\u229F\u229E\u22A0\u255B\u2558\u2518\u2514\u2502\u256A\u2561\u255E\u253C\u2524\u251C\u2035\u02D8\xA6\u{1D4B7}\u204F\u223D\u22CD\\\u29C5\u27C8\u2022\u2022\u224E\u2AAE\u224F\u224F\u0107\u2229\u2A44\u2A49\u2A4B\u2A47\u2A40\u2229\uFE00\u2041\u02C7\u2A4D\u010D\xE7\u0109\u2A4C\u2A50\u010B\xB8\u29B2\xA2\xB7\u{1D520}\u0447\u2713\u2713\u03C7\u25CB\u29C3\u02C6\u2257\u21BA\u21BB\xAE\u24C8\u229B\u229A\u229D\u2257\u2A10\u2AEF\u29C2\u2663\u2663:\u2254\u2254,@\u2201\u2218\u2201\u2102\u2245\u2A6D\u222E\u{1D554}\u2210\xA9\u2117\u21B5\u2717\u{1D4B8}\u2ACF\u2AD1\u2AD0\u2AD2\u22EF\u2938\u2935\u22DE\u22DF\u21B6\u293D\u222A\u2A48\u2A46\u2A4A\u228D\u2A45\u222A\uFE00\u21B7\u293C\u22DE\u22DF\u22CE\u22CF\xA4\u21B6\u21B7\u22CE\u22CF\u2232\u2231\u232D\u21D3\u2965\u2020\u2138\u2193\u2010\u22A3\u290F\u02DD\u010F\u0434\u2146\u2021\u21CA\u2A77\xB0\u03B4\u29B1\u297F\u{1D521}\u21C3\u21C2\u22C4\u22C4\u2666\u2666\xA8\u03DD\u22F2\xF7\xF7\u22C7\u22C7\u0452\u231E\u230D$\u{1D555}\u02D9\u2250\u2251\u2238\u2214\u22A1\u2306\u2193\u21CA\u21C3\u21C2\u2910\u231F\u230C\u{1D4B9}\u0455\u29F6\u0111\u22F1\u25BF\u25BE\u21F5\u296F\u29A6\u045F\u27FF\u2A77\u2251\xE9\u2A6E\u011B\u2256\xEA\u2255\u044D\u0117\u2147\u2252\u{1D522}\u2A9A\xE8\u2A96\u2A98\u2A99\u23E7\u2113\u2A95\u2A97\u0113\u2205\u2205\u2205\u2003\u2004\u2005\u014B\u2002\u0119\u{1D556}\u22D5\u29E3\u2A71\u03B5\u03B5\u03F5\u2256\u2255\u2242\u2A96\u2A95=\u225F\u2261\u2A78\u29E5\u2253\u2971\u212F\u2250\u2242\u03B7\xF0\xEB\u20AC!\u2203\u2130\u2147\u2252\u0444\u2640\uFB03\uFB00\uFB04\u{1D523}\uFB01fj\u266D\uFB02\u25B1\u0192\u{1D557}\u2200\u22D4\u2AD9\u2A0D\xBD\u2153\xBC\u2155\u2159\u215B\u2154\u2156\xBE\u2157\u215C\u2158\u215A\u215D\u215E\u2044\u2322\u{1D4BB}\u2267\u2A8C\u01F5\u03B3\u03DD\u2A86\u011F\u011D\u0433\u0121\u2265\u22DB\u2265\u2267\u2A7E\u2A7E\u2AA9\u2A80\u2A82\u2A84\u22DB\uFE00\u2A94\u{1D524}\u226B\u22D9\u2137\u0453\u2277\u2A92\u2AA5\u2AA4\u2269\u2A8A\u2A8A\u2A88\u2A88\u2269\u22E7\u{1D558}`\u210A\u2273\u2A8E\u2A90>\u2AA7\u2A7A\u22D7\u2995\u2A7C\u2A86\u2978\u22D7\u22DB\u2A8C\u2277\u2273\u2269\uFE00\u2269\uFE00\u21D4\u200A\xBD\u210B\u044A\u2194\u2948\u21AD\u210F\u0125\u2665\u2665\u2026\u22B9\u{1D525}\u2925\u2926\u21FF\u223B\u21A9\u21AA\u{1D559}\u2015\u{1D4BD}\u210F\u0127\u2043\u2010\xED\u2063\xEE\u0438\u0435\xA1\u21D4\u{1D526}\xEC\u2148\u2A0C\u222D\u29DC\u2129\u0133\u012B\u2111\u2110\u2111\u0131\u22B7\u01B5\u2208\u2105\u221E\u29DD\u0131\u222B\u22BA\u2124\u22BA\u2A17\u2A3C\u0451\u012F\u{1D55A}\u03B9\u2A3C\xBF\u{1D4BE}\u2208\u22F9\u22F5\u22F4\u22F3\u2208\u2062\u0129\u0456\xEF\u0135\u0439\u{1D527}\u0237\u{1D55B}\u{1D4BF}\u0458\u0454\u03BA\u03F0\u0137\u043A\u{1D528}\u0138\u0445\u045C\u{1D55C}\u{1D4C0}\u21DA\u21D0\u291B\u290E\u2266\u2A8B\u2962\u013A\u29B4\u2112\u03BB\u27E8\u2991\u27E8\u2A85\xAB\u2190\u21E4\u291F\u291D\u21A9\u21AB\u2939\u2973\u21A2\u2AAB\u2919\u2AAD\u2AAD\uFE00\u290C\u2772{[\u298B\u298F\u298D\u013E\u013C\u2308{\u043B\u2936\u201C\u201E\u2967\u294B\u21B2\u2264\u2190\u21A2\u21BD\u21BC\u21C7\u2194\u21C6\u21CB\u21AD\u22CB\u22DA\u2264\u2266\u2A7D\u2A7D\u2AA8\u2A7F\u2A81\u2A83\u22DA\uFE00\u2A93\u2A85\u22D6\u22DA\u2A8B\u2276\u2272\u297C\u230A\u{1D529}\u2276\u2A91\u21BD\u21BC\u296A\u2584\u0459\u226A\u21C7\u231E\u296B\u25FA\u0140\u23B0\u23B0\u2268\u2A89\u2A89\u2A87\u2A87\u2268\u22E6\u27EC\u21FD\u27E6\u27F5\u27F7\u27FC\u27F6\u21AB\u21AC\u2985\u{1D55D}\u2A2D\u2A34\u2217_\u25CA\u25CA\u29EB(\u2993\u21C6\u231F\u21CB\u296D\u200E\u22BF\u2039\u{1D4C1}\u21B0\u2272\u2A8D\u2A8F[\u2018\u201A\u0142<\u2AA6\u2A79\u22D6\u22CB\u22C9\u2976\u2A7B\u2996\u25C3\u22B4\u25C2\u294A\u2966\u2268\uFE00\u2268\uFE00\u223A\xAF\u2642\u2720\u2720\u21A6\u21A6\u21A7\u21A4\u21A5\u25AE\u2A29\u043C\u2014\u2221\u{1D52A}\u2127\xB5\u2223*\u2AF0\xB7\u2212\u229F\u2238\u2A2A\u2ADB\u2026\u2213\u22A7\u{1D55E}\u2213\u{1D4C2}\u223E\u03BC\u22B8\u22B8\u22D9\u0338\u226B\u20D2\u226B\u0338\u21CD\u21CE\u22D8\u0338\u226A\u20D2\u226A\u0338\u21CF\u22AF\u22AE\u2207\u0144\u2220\u20D2\u2249\u2A70\u0338\u224B\u0338\u0149\u2249\u266E\u266E\u2115\xA0\u224E\u0338\u224F\u0338\u2A43\u0148\u0146\u2247\u2A6D\u0338\u2A42\u043D\u2013\u2260\u21D7\u2924\u2197\u2197\u2250\u0338\u2262\u2928\u2242\u0338\u2204\u2204\u{1D52B}\u2267\u0338\u2271\u2271\u2267\u0338\u2A7E\u0338\u2A7E\u0338\u2275\u226F\u226F\u21CE\u21AE\u2AF2\u220B\u22FC\u22FA\u220B\u045A\u21CD\u2266\u0338\u219A\u2025\u2270\u219A\u21AE\u2270\u2266\u0338\u2A7D\u0338\u2A7D\u0338\u226E\u2274\u226E\u22EA\u22EC\u2224\u{1D55F}\xAC\u2209\u22F9\u0338\u22F5\u0338\u2209\u22F7\u22F6\u220C\u220C\u22FE\u22FD\u2226\u2226\u2AFD\u20E5\u2202\u0338\u2A14\u2280\u22E0\u2AAF\u0338\u2280\u2AAF\u0338\u21CF\u219B\u2933\u0338\u219D\u0338\u219B\u22EB\u22ED\u2281\u22E1\u2AB0\u0338\u{1D4C3}\u2224\u2226\u2241\u2244\u2244\u2224\u2226\u22E2\u22E3\u2284\u2AC5\u0338\u2288\u2282\u20D2\u2288\u2AC5\u0338\u2281\u2AB0\u0338\u2285\u2AC6\u0338\u2289\u2283\u20D2\u2289\u2AC6\u0338\u2279\xF1\u2278\u22EA\u22EC\u22EB\u22ED\u03BD#\u2116\u2007\u22AD\u2904\u224D\u20D2\u22AC\u2265\u20D2>\u20D2\u29DE\u2902\u2264\u20D2<\u20D2\u22B4\u20D2\u2903\u22B5\u20D2\u223C\u20D2\u21D6\u2923\u2196\u2196\u2927\u24C8\xF3\u229B\u229A\xF4\u043E\u229D\u0151\u2A38\u2299\u29BC\u0153\u29BF\u{1D52C}\u02DB\xF2\u29C1\u29B5\u03A9\u222E\u21BA\u29BE\u29BB\u203E\u29C0\u014D\u03C9\u03BF\u29B6\u2296\u{1D560}\u29B7\u29B9\u2295\u2228\u21BB\u2A5D\u2134\u2134\xAA\xBA\u22B6\u2A56\u2A57\u2A5B\u2134\xF8\u2298\xF5\u2297\u2A36\xF6\u233D\u2225\xB6\u2225\u2AF3\u2AFD\u2202\u043F%.\u2030\u22A5\u2031\u{1D52D}\u03C6\u03D5\u2133\u260E\u03C0\u22D4\u03D6\u210F\u210E\u210F+\u2A23\u229E\u2A22\u2214\u2A25\u2A72\xB1\u2A26\u2A27\xB1\u2A15\u{1D561}\xA3\u227A\u2AB3\u2AB7\u227C\u2AAF\u227A\u2AB7\u227C\u2AAF\u2AB9\u2AB5\u22E8\u227E\u2032\u2119\u2AB5\u2AB9\u22E8\u220F\u232E\u2312\u2313\u221D\u221D\u227E\u22B0\u{1D4C5}\u03C8\u2008\u{1D52E}\u2A0C\u{1D562}\u2057\u{1D4C6}\u210D\u2A16?\u225F"\u21DB\u21D2\u291C\u290F\u2964\u223D\u0331\u0155\u221A\u29B3\u27E9\u2992\u29A5\u27E9\xBB\u2192\u2975\u21E5\u2920\u2933\u291E\u21AA\u21AC\u2945\u2974\u21A3\u219D\u291A\u2236\u211A\u290D\u2773}]\u298C\u298E\u2990\u0159\u0157\u2309}\u0440\u2937\u2969\u201D\u201D\u21B3\u211C\u211B\u211C\u211D\u25AD\xAE\u297D\u230B\u{1D52F}\u21C1\u21C0\u296C\u03C1\u03F1\u2192\u21A3\u21C1\u21C0\u21C4\u21CC\u21C9\u219D\u22CC\u02DA\u2253\u21C4\u21CC\u200F\u23B1\u23B1\u2AEE\u27ED\u21FE\u27E7\u2986\u{1D563}\u2A2E\u2A35)\u2994\u2A12\u21C9\u203A\u{1D4C7}\u21B1]\u2019\u2019\u22CC\u22CA\u25B9\u22B5\u25B8\u29CE\u2968\u211E\u015B\u201A\u227B\u2AB4\u2AB8\u0161\u227D\u2AB0\u015F\u015D\u2AB6\u2ABA\u22E9\u2A13\u227F\u0441\u22C5\u22A1\u2A66\u21D8\u2925\u2198\u2198\xA7;\u2929\u2216\u2216\u2736\u{1D530}\u2322\u266F\u0449\u0448\u2223\u2225\xAD\u03C3\u03C2\u03C2\u223C\u2A6A\u2243\u2243\u2A9E\u2AA0\u2A9D\u2A9F\u2246\u2A24\u2972\u2190\u2216\u2A33\u29E4\u2223\u2323\u2AAA\u2AAC\u2AAC\uFE00\u044C/\u29C4\u233F\u{1D564}\u2660\u2660\u2225\u2293\u2293\uFE00\u2294\u2294\uFE00\u228F\u2291\u228F\u2291\u2290\u2292\u2290\u2292\u25A1\u25A1\u25AA\u25AA\u2192\u{1D4C8}\u2216\u2323\u22C6\u2606\u2605\u03F5\u03D5\xAF\u2282\u2AC5\u2ABD\u2286\u2AC3\u2AC1\u2ACB\u228A\u2ABF\u2979\u2282\u2286\u2AC5\u228A\u2ACB\u2AC7\u2AD5\u2AD3\u227B\u2AB8\u227D\u2AB0\u2ABA\u2AB6\u22E9\u227F\u2211\u266A\u2283\xB9\xB2\xB3\u2AC6\u2ABE\u2AD8\u2287\u2AC4\u27C9\u2AD7\u297B\u2AC2\u2ACC\u228B\u2AC0\u2283\u2287\u2AC6\u228B\u2ACC\u2AC8\u2AD4\u2AD6\u21D9\u2926\u2199\u2199\u292A\xDF\u2316\u03C4\u23B4\u0165\u0163\u0442\u20DB\u2315\u{1D531}\u2234\u2234\u03B8\u03D1\u03D1\u2248\u223C\u2009\u2248\u223C\xFE\u02DC\xD7\u22A0\u2A31\u2A30\u222D\u2928\u22A4\u2336\u2AF1\u{1D565}\u2ADA\u2929\u2034\u2122\u25B5\u25BF\u25C3\u22B4\u225C\u25B9\u22B5\u25EC\u225C\u2A3A\u2A39\u29CD\u2A3B\u23E2\u{1D4C9}\u0446\u045B\u0167\u226C\u219E\u21A0\u21D1\u2963\xFA\u2191\u045E\u016D\xFB\u0443\u21C5\u0171\u296E\u297E\u{1D532}\xF9\u21BF\u21BE\u2580\u231C\u231C\u230F\u25F8\u016B\xA8\u0173\u{1D566}\u2191\u2195\u21BF\u21BE\u228E\u03C5\u03D2\u03C5\u21C8\u231D\u231D\u230E\u016F\u25F9\u{1D4CA}\u22F0\u0169\u25B5\u25B4\u21C8\xFC\u29A7\u21D5\u2AE8\u2AE9\u22A8\u299C\u03F5\u03F0\u2205\u03D5\u03D6\u221D\u2195\u03F1\u03C2\u228A\uFE00\u2ACB\uFE00\u228B\uFE00\u2ACC\uFE00\u03D1\u22B2\u22B3\u0432\u22A2\u2228\u22BB\u225A\u22EE||\u{1D533}\u22B2\u2282\u20D2\u2283\u20D2\u{1D567}\u221D\u22B3\u{1D4CB}\u2ACB\uFE00\u228A\uFE00\u2ACC\uFE00\u228B\uFE00\u299A\u0175\u2A5F\u2227\u2259\u2118\u{1D534}\u{1D568}\u2118\u2240\u2240\u{1D4CC}\u22C2\u25EF\u22C3\u25BD\u{1D535}\u27FA\u27F7\u03BE\u27F8\u27F5\u27FC\u22FB\u2A00\u{1D569}\u2A01\u2A02\u27F9\u27F6\u{1D4CD}\u2A06\u2A04\u25B3\u22C1\u22C0\xFD\u044F\u0177\u044B\xA5\u{1D536}\u0457\u{1D56A}\u{1D4CE}\u044E\xFF\u017A\u017E\u0437\u017C\u2128\u03B6\u{1D537}\u0436\u21DD\u{1D56B}\u{1D4CF}\u200D\u200C'];

// node_modules/entities/dist/internal/decode-data-format.js
var META_BIAS = 35;
var HEADER_BIAS = 48;
var HEADER_LENGTH = 6;
var CHOICE_BITS_PER_CHAR = 6;
var BUCKET_HASH_1 = 2654435761;
var BUCKET_HASH_2 = 2246822507;
var PAIR_TABLE_SIZE = 1024;
var CHAR_REMAP = (() => {
  const remap = new Uint8Array(128);
  for (let code = 48; code <= 57; code++)
    remap[code] = code - 47;
  for (let code = 65; code <= 90; code++)
    remap[code] = code - 54;
  for (let code = 97; code <= 122; code++)
    remap[code] = code - 60;
  return remap;
})();
function exactKey(text, nameStart, length) {
  return text.charCodeAt(nameStart) << 25 | text.charCodeAt(nameStart + 1) << 18 | text.charCodeAt(nameStart + length - 2) << 11 | CHAR_REMAP[text.charCodeAt(nameStart + length - 1)] << 5 | length;
}
function pairIndex(c0, c12) {
  return (c0 * 3 << 3 ^ c12) & PAIR_TABLE_SIZE - 1;
}
function bucketOne(key, buckets) {
  return (Math.imul(key, BUCKET_HASH_1) >>> 16) * buckets >>> 16;
}
function bucketTwo(key, buckets) {
  return (Math.imul(key, BUCKET_HASH_2) >>> 16) * buckets >>> 16;
}
function initDecodeData(packed) {
  const [data, values] = packed;
  const nameCount = data.charCodeAt(0) - HEADER_BIAS << 6 | data.charCodeAt(1) - HEADER_BIAS;
  const suffixesLength = data.charCodeAt(2) - HEADER_BIAS << 6 | data.charCodeAt(3) - HEADER_BIAS;
  const buckets = data.charCodeAt(4) - HEADER_BIAS << 6 | data.charCodeAt(5) - HEADER_BIAS;
  const metaStart = HEADER_LENGTH + suffixesLength;
  const choicesStart = metaStart + 2 * nameCount;
  const slotCount = 2 * buckets;
  const keys = new Int32Array(slotCount);
  const slotMidOff = new Uint16Array(slotCount);
  const slotValue = new Uint16Array(slotCount);
  const lengthBits = new Uint32Array(PAIR_TABLE_SIZE);
  const middleOffsets = /* @__PURE__ */ new Map();
  const middles = [];
  let name2 = "";
  let suffixOffset = HEADER_LENGTH;
  let valueOffset = 0;
  for (let index = 0; index < nameCount; index++) {
    const meta0 = data.charCodeAt(metaStart + 2 * index) - META_BIAS;
    const meta1 = data.charCodeAt(metaStart + 2 * index + 1) - META_BIAS;
    const prefixLength = meta0 & 31;
    const length = prefixLength + (meta1 & 31);
    const valueLength = (meta1 >> 5) + 1;
    name2 = name2.slice(0, prefixLength) + data.slice(suffixOffset, suffixOffset + length - prefixLength);
    suffixOffset += length - prefixLength;
    const key = exactKey(name2, 0, length);
    const choice = data.charCodeAt(choicesStart + Math.floor(index / CHOICE_BITS_PER_CHAR)) - HEADER_BIAS & 1 << index % CHOICE_BITS_PER_CHAR;
    let slot = 2 * (choice === 0 ? bucketOne : bucketTwo)(key, buckets);
    if (keys[slot] !== 0)
      slot += 1;
    keys[slot] = key;
    if (length > 4) {
      const middle = name2.slice(2, length - 2);
      const existing = middleOffsets.get(middle);
      if (existing === void 0) {
        middleOffsets.set(middle, middles.length);
        slotMidOff[slot] = middles.length;
        for (let middleIndex = 0; middleIndex < middle.length; middleIndex += 2) {
          middles.push(middle.charCodeAt(middleIndex) | middle.charCodeAt(middleIndex + 1) << 16);
        }
      } else {
        slotMidOff[slot] = existing;
      }
    }
    const pair = pairIndex(name2.charCodeAt(0), name2.charCodeAt(1));
    lengthBits[pair] |= length <= 16 ? 1 << length - 2 : 32768;
    if ((meta0 & 32) !== 0) {
      lengthBits[pair] |= 1 << length - 2 + 16;
    }
    slotValue[slot] = valueOffset << 2 | valueLength - 1 | (meta0 & 32) >> 4;
    valueOffset += valueLength;
  }
  return {
    keys,
    buckets,
    slotMidOff,
    slotValue,
    values,
    lengthBits,
    middles: new Uint32Array(middles)
  };
}

// node_modules/entities/dist/decode.js
var CHAR_AMP = 38;
var CHAR_NUM = 35;
var CHAR_SEMI = 59;
var CHAR_EQUALS = 61;
var CHAR_ZERO = 48;
var CHAR_LOWER_A = 97;
var CHAR_LOWER_X = 120;
var CHAR_UPPER_A = 65;
var TO_LOWER_BIT = 32;
function isNumber(code) {
  return code - CHAR_ZERO >>> 0 <= 9;
}
function isAlphaNumeric(code) {
  return isNumber(code) || (code | TO_LOWER_BIT) - CHAR_LOWER_A >>> 0 <= 25;
}
function isEntityInAttributeInvalidEnd(code) {
  return code === CHAR_EQUALS || isAlphaNumeric(code);
}
var DecodingMode;
(function(DecodingMode2) {
  DecodingMode2[DecodingMode2["Legacy"] = 0] = "Legacy";
  DecodingMode2[DecodingMode2["Strict"] = 1] = "Strict";
  DecodingMode2[DecodingMode2["Attribute"] = 2] = "Attribute";
})(DecodingMode || (DecodingMode = {}));
var htmlDecode = /* @__PURE__ */ initDecodeData(htmlDecodeData);
var htmlKeys = /* @__PURE__ */ (() => htmlDecode.keys)();
var htmlBuckets = /* @__PURE__ */ (() => htmlDecode.buckets)();
var htmlSlotMidOff = /* @__PURE__ */ (() => htmlDecode.slotMidOff)();
var htmlLengthBits = /* @__PURE__ */ (() => htmlDecode.lengthBits)();
var htmlMiddles = /* @__PURE__ */ (() => htmlDecode.middles)();
var htmlSlotValue = /* @__PURE__ */ (() => htmlDecode.slotValue)();
var htmlValues = /* @__PURE__ */ (() => htmlDecode.values)();
function emitHtmlValue(packed) {
  const off = packed >> 2;
  return (packed & 1) === 0 ? htmlValues.charAt(off) : htmlValues.slice(off, off + (packed & 1) + 1);
}
function findSlotHtml(text, start, length) {
  const c0 = text.charCodeAt(start);
  const c12 = text.charCodeAt(start + 1);
  const c2 = text.charCodeAt(start + length - 2);
  const c3 = text.charCodeAt(start + length - 1);
  if ((c0 | c12 | c2 | c3) > 127)
    return -1;
  const key = c0 << 25 | c12 << 18 | c2 << 11 | CHAR_REMAP[c3] << 5 | length;
  let slot = 2 * ((Math.imul(key, BUCKET_HASH_1) >>> 16) * htmlBuckets >>> 16);
  for (let attempt = 0; ; attempt++) {
    if (htmlKeys[slot] === key && (length <= 4 || isMidMatchHtml(slot, text, start, length))) {
      return slot;
    }
    if (htmlKeys[slot + 1] === key && (length <= 4 || isMidMatchHtml(slot + 1, text, start, length))) {
      return slot + 1;
    }
    if (attempt === 1)
      return -1;
    slot = 2 * ((Math.imul(key, BUCKET_HASH_2) >>> 16) * htmlBuckets >>> 16);
  }
}
function isMidMatchHtml(slot, text, start, length) {
  let wordIndex = htmlSlotMidOff[slot];
  let index = start + 2;
  const end = start + length - 2;
  while (index + 1 < end) {
    if ((text.charCodeAt(index) | text.charCodeAt(index + 1) << 16) !== htmlMiddles[wordIndex++])
      return false;
    index += 2;
  }
  return index === end || text.charCodeAt(index) === (htmlMiddles[wordIndex] & 65535);
}
var NUMERIC_CONSUMED_SHIFT = 21;
var NUMERIC_CODE_POINT_MASK = 2097151;
var NUMERIC_CONSUMED_OVERFLOW = 2047;
var longNumericConsumed = 0;
function unpackConsumed(packed) {
  const consumed = packed >>> NUMERIC_CONSUMED_SHIFT;
  return consumed === NUMERIC_CONSUMED_OVERFLOW ? longNumericConsumed : consumed;
}
var numericDigits = /* @__PURE__ */ (() => {
  const digits = new Uint8Array(128).fill(255);
  for (let digit = 0; digit < 10; digit++) {
    digits[CHAR_ZERO + digit] = digit;
  }
  for (let digit = 0; digit < 6; digit++) {
    digits[CHAR_UPPER_A + digit] = digit + 10;
    digits[CHAR_LOWER_A + digit] = digit + 10;
  }
  return digits;
})();
function parseNumericEntity(input, offset, isStrict) {
  const inputLength = input.length;
  let index = offset;
  let codePoint = 0;
  let digitsStart;
  if ((input.charCodeAt(index) | TO_LOWER_BIT) === CHAR_LOWER_X) {
    index += 1;
    digitsStart = index;
    while (index < inputLength) {
      const char = input.charCodeAt(index);
      if (char >= 128)
        break;
      const digit = numericDigits[char];
      if (digit <= 15) {
        codePoint = codePoint * 16 + digit;
        index++;
      } else {
        break;
      }
    }
  } else {
    digitsStart = index;
    while (index < inputLength) {
      const char = input.charCodeAt(index);
      if (char >= 128)
        break;
      const digit = numericDigits[char];
      if (digit <= 9) {
        codePoint = codePoint * 10 + digit;
        index++;
      } else {
        break;
      }
    }
  }
  if (index === digitsStart)
    return 0;
  if (codePoint > 1114111)
    codePoint = 1114112;
  let consumed = index - offset + 2;
  if (index < inputLength && input.charCodeAt(index) === CHAR_SEMI) {
    consumed += 1;
  } else if (isStrict) {
    return 0;
  }
  if (consumed >= NUMERIC_CONSUMED_OVERFLOW) {
    longNumericConsumed = consumed;
    consumed = NUMERIC_CONSUMED_OVERFLOW;
  }
  return consumed << NUMERIC_CONSUMED_SHIFT | codePoint;
}
function findLegacySlot(input, start, maxLength) {
  let legacy = htmlLengthBits[pairIndex(input.charCodeAt(start), input.charCodeAt(start + 1))] >>> 16 & 31;
  while (legacy !== 0) {
    const top = 31 - Math.clz32(legacy);
    legacy ^= 1 << top;
    if (top + 2 > maxLength)
      continue;
    const slot = findSlotHtml(input, start, top + 2);
    if (slot >= 0 && (htmlSlotValue[slot] & 2) !== 0) {
      return slot << 3 | top + 2;
    }
  }
  return -1;
}
function findLongClassMatch(input, start, mode) {
  const length = input.slice(start, start + 32).indexOf(";");
  if (length - 2 >>> 0 <= 29) {
    const slot = findSlotHtml(input, start, length);
    if (slot >= 0)
      return slot << 6 | length + 1;
  }
  if (mode !== DecodingMode.Strict) {
    const packed = findLegacySlot(input, start, Math.min(31, input.length - start));
    if (packed >= 0) {
      const length2 = packed & 7;
      if (mode !== DecodingMode.Attribute || start + length2 >= input.length || !isEntityInAttributeInvalidEnd(input.charCodeAt(start + length2)))
        return packed >> 3 << 6 | length2;
    }
  }
  return -1;
}
function nextOffset(input, last) {
  if (last >= input.length)
    return -1;
  return input.charCodeAt(last) === CHAR_AMP ? last : input.indexOf("&", last);
}
function decodeHtmlText(input, mode) {
  const isLegacyAllowed = mode !== DecodingMode.Strict;
  let offset = input.indexOf("&");
  if (offset < 0)
    return input;
  const inputLength = input.length;
  let result = "";
  let last = 0;
  do {
    const start = offset + 1;
    if (start + 1 >= inputLength)
      break;
    const c0 = input.charCodeAt(start);
    if (c0 === CHAR_AMP) {
      offset = start;
      continue;
    }
    if (c0 === CHAR_NUM) {
      const packed = parseNumericEntity(input, start + 1, !isLegacyAllowed);
      const consumed = unpackConsumed(packed);
      if (consumed === 0) {
        offset = input.indexOf("&", start);
      } else {
        if (last !== offset) {
          result += input.slice(last, offset);
        }
        result += codePointToString(packed & NUMERIC_CODE_POINT_MASK);
        last = offset + consumed;
        offset = nextOffset(input, last);
      }
      continue;
    }
    const bits = htmlLengthBits[pairIndex(c0, input.charCodeAt(start + 1))];
    if ((bits & 32768) !== 0) {
      const packed = findLongClassMatch(input, start, mode);
      if (packed >= 0) {
        if (last !== offset)
          result += input.slice(last, offset);
        result += emitHtmlValue(htmlSlotValue[packed >> 6]);
        last = start + (packed & 63);
        offset = nextOffset(input, last);
      } else {
        offset = input.indexOf("&", start);
      }
      continue;
    }
    let probed = bits & 32767;
    let matched = -1;
    while (probed !== 0) {
      const low = probed & -probed;
      probed ^= low;
      const length = 33 - Math.clz32(low);
      const end = start + length;
      if (end > inputLength)
        break;
      const isTerminated = end < inputLength && input.charCodeAt(end) === CHAR_SEMI;
      if (!(isTerminated || isLegacyAllowed && (bits >>> length + 14 & 1) !== 0))
        continue;
      const slot = findSlotHtml(input, start, length);
      if (slot < 0)
        continue;
      if (isTerminated) {
        matched = slot << 6 | 32 | length + 1;
        break;
      }
      if ((htmlSlotValue[slot] & 2) !== 0) {
        matched = slot << 6 | length;
      }
    }
    if (matched >= 0) {
      const length = matched & 31;
      if ((matched & 32) !== 0 || mode !== DecodingMode.Attribute || start + length >= inputLength || !isEntityInAttributeInvalidEnd(input.charCodeAt(start + length))) {
        if (last !== offset)
          result += input.slice(last, offset);
        result += emitHtmlValue(htmlSlotValue[matched >> 6]);
        last = start + length;
        offset = nextOffset(input, last);
        continue;
      }
    }
    offset = input.indexOf("&", start + 1);
  } while (offset >= 0);
  return result + input.slice(last);
}
function decodeHTML(htmlString, mode = DecodingMode.Legacy) {
  return decodeHtmlText(htmlString, mode);
}
function decodeHTMLAttribute(htmlAttribute) {
  return decodeHtmlText(htmlAttribute, DecodingMode.Attribute);
}

// node_modules/entities/dist/index.js
var EntityLevel;
(function(EntityLevel2) {
  EntityLevel2[EntityLevel2["XML"] = 0] = "XML";
  EntityLevel2[EntityLevel2["HTML"] = 1] = "HTML";
})(EntityLevel || (EntityLevel = {}));
var EncodingMode;
(function(EncodingMode2) {
  EncodingMode2[EncodingMode2["UTF8"] = 0] = "UTF8";
  EncodingMode2[EncodingMode2["ASCII"] = 1] = "ASCII";
  EncodingMode2[EncodingMode2["Extensive"] = 2] = "Extensive";
  EncodingMode2[EncodingMode2["Attribute"] = 3] = "Attribute";
  EncodingMode2[EncodingMode2["Text"] = 4] = "Text";
})(EncodingMode || (EncodingMode = {}));

// src/core/page/scan/attributes.ts
var TAB = 9;
var LF = 10;
var FF = 12;
var CR = 13;
var SPACE = 32;
var DOUBLE_QUOTE = 34;
var AMPERSAND = 38;
var SINGLE_QUOTE = 39;
var SLASH = 47;
var EQUALS = 61;
var GREATER = 62;
var SHORT = 24;
function isSpace(unit) {
  return unit === SPACE || unit === LF || unit === TAB || unit === CR || unit === FF;
}
function normalized(text) {
  let result = text;
  if (result.includes("\r")) result = result.replaceAll("\r\n", "\n").replaceAll("\r", "\n");
  return result.includes("\0") ? result.replaceAll("\0", "\uFFFD") : result;
}
function isPlain(text) {
  if (text.length > SHORT) return !text.includes("&") && !text.includes("\r") && !text.includes("\0");
  for (let index = 0; index < text.length; index++) {
    const unit = text.charCodeAt(index);
    if (unit === AMPERSAND || unit === CR || unit === 0) return false;
  }
  return true;
}
function endOfTag(text, from) {
  let index = from;
  let isNamed = false;
  for (; ; ) {
    const unit = text.charCodeAt(index++);
    if (unit > GREATER) isNamed = true;
    else if (unit === GREATER) return index;
    else if (unit === EQUALS && isNamed) {
      isNamed = false;
      while (isSpace(text.charCodeAt(index))) index++;
      const first = text.charCodeAt(index);
      if (first === DOUBLE_QUOTE || first === SINGLE_QUOTE) {
        index = text.indexOf(first === DOUBLE_QUOTE ? '"' : "'", index + 1) + 1;
        if (index === 0) return -1;
      } else {
        while (index < text.length && text.charCodeAt(index) !== GREATER && !isSpace(text.charCodeAt(index))) index++;
      }
    } else if (unit === SLASH) isNamed = false;
    else if (!isSpace(unit)) {
      if (index > text.length) return -1;
      isNamed = true;
    }
  }
}
var Attributes = class {
  text = "";
  count = 0;
  names = [];
  nameEnds = [];
  values = [];
  valueEnds = [];
  /** The tag ends in `/>`. */
  isSelfClosing = false;
  /**
   * Reads from the end of a tag's name to its end: the states "before attribute name" to "after attribute value
   * (quoted)" and "self-closing start tag" (13.2.5.32 to 13.2.5.40).
   * @returns offset after the `>`; -1 when the text ends before it
   */
  read(text, from) {
    const { length } = text;
    this.text = text;
    this.isSelfClosing = false;
    let count = 0;
    let index = from;
    for (; ; ) {
      let unit = text.charCodeAt(index);
      while (isSpace(unit) || unit === SLASH) {
        if (unit === SLASH && text.charCodeAt(index + 1) === GREATER) {
          this.isSelfClosing = true;
          this.count = count;
          return index + 2;
        }
        unit = text.charCodeAt(++index);
      }
      if (unit === GREATER) {
        this.count = count;
        return index + 1;
      }
      if (index >= length) return -1;
      const name2 = index;
      unit = text.charCodeAt(++index);
      while (unit > GREATER || unit !== EQUALS && unit !== GREATER && unit !== SLASH && !isSpace(unit) && index < length) {
        unit = text.charCodeAt(++index);
      }
      this.names[count] = name2;
      this.nameEnds[count] = index;
      while (isSpace(unit)) unit = text.charCodeAt(++index);
      if (unit !== EQUALS) {
        this.values[count] = index;
        this.valueEnds[count++] = index;
        continue;
      }
      unit = text.charCodeAt(++index);
      while (isSpace(unit)) unit = text.charCodeAt(++index);
      if (unit === DOUBLE_QUOTE || unit === SINGLE_QUOTE) {
        const end = text.indexOf(unit === DOUBLE_QUOTE ? '"' : "'", index + 1);
        if (end < 0) return -1;
        this.values[count] = index + 1;
        this.valueEnds[count++] = end;
        index = end + 1;
        continue;
      }
      const value = index;
      while (unit !== GREATER && !isSpace(unit) && index < length) unit = text.charCodeAt(++index);
      this.values[count] = value;
      this.valueEnds[count++] = index;
    }
  }
  /** Value of an attribute, its references decoded; of two with one name, the first. Null when there is none. */
  get(name2) {
    for (let at2 = 0; at2 < this.count; at2++) {
      if (!this.isNamed(at2, name2)) continue;
      const raw = this.text.slice(this.values[at2], this.valueEnds[at2]);
      return isPlain(raw) ? raw : decodeHTMLAttribute(normalized(raw));
    }
    return null;
  }
  /**
   * Where an attribute stands in the text, from its name to the end of its value, quotes included; of two with one
   * name, the first. Null when there is none.
   */
  spanOf(name2) {
    for (let at2 = 0; at2 < this.count; at2++) {
      if (!this.isNamed(at2, name2)) continue;
      const start = this.names[at2];
      const [value, end] = [this.values[at2], this.valueEnds[at2]];
      const before = this.text.charCodeAt(value - 1);
      const isQuoted = value > this.nameEnds[at2] && (before === DOUBLE_QUOTE || before === SINGLE_QUOTE);
      return { start, end: value === end && !isQuoted ? this.nameEnds[at2] : end + (isQuoted ? 1 : 0) };
    }
    return null;
  }
  /** @param name in lower case */
  isNamed(at2, name2) {
    const start = this.names[at2];
    if (this.nameEnds[at2] - start !== name2.length) return false;
    for (let index = 0; index < name2.length; index++) {
      const unit = this.text.charCodeAt(start + index);
      if ((unit >= 65 && unit <= 90 ? unit | 32 : unit) !== name2.charCodeAt(index)) return false;
    }
    return true;
  }
};

// src/core/page/scan/doctype.ts
var QUIRKY_PUBLIC = [
  "+//silmaril//dtd html pro v0r11 19970101//",
  "-//as//dtd html 3.0 aswedit + extensions//",
  "-//advasoft ltd//dtd html 3.0 aswedit + extensions//",
  "-//ietf//dtd html 2.0 level 1//",
  "-//ietf//dtd html 2.0 level 2//",
  "-//ietf//dtd html 2.0 strict level 1//",
  "-//ietf//dtd html 2.0 strict level 2//",
  "-//ietf//dtd html 2.0 strict//",
  "-//ietf//dtd html 2.0//",
  "-//ietf//dtd html 2.1e//",
  "-//ietf//dtd html 3.0//",
  "-//ietf//dtd html 3.2 final//",
  "-//ietf//dtd html 3.2//",
  "-//ietf//dtd html 3//",
  "-//ietf//dtd html level 0//",
  "-//ietf//dtd html level 1//",
  "-//ietf//dtd html level 2//",
  "-//ietf//dtd html level 3//",
  "-//ietf//dtd html strict level 0//",
  "-//ietf//dtd html strict level 1//",
  "-//ietf//dtd html strict level 2//",
  "-//ietf//dtd html strict level 3//",
  "-//ietf//dtd html strict//",
  "-//ietf//dtd html//",
  "-//metrius//dtd metrius presentational//",
  "-//microsoft//dtd internet explorer 2.0 html strict//",
  "-//microsoft//dtd internet explorer 2.0 html//",
  "-//microsoft//dtd internet explorer 2.0 tables//",
  "-//microsoft//dtd internet explorer 3.0 html strict//",
  "-//microsoft//dtd internet explorer 3.0 html//",
  "-//microsoft//dtd internet explorer 3.0 tables//",
  "-//netscape comm. corp.//dtd html//",
  "-//netscape comm. corp.//dtd strict html//",
  "-//o'reilly and associates//dtd html 2.0//",
  "-//o'reilly and associates//dtd html extended 1.0//",
  "-//o'reilly and associates//dtd html extended relaxed 1.0//",
  "-//sq//dtd html 2.0 hotmetal + extensions//",
  "-//softquad software//dtd hotmetal pro 6.0::19990601::extensions to html 4.0//",
  "-//softquad//dtd hotmetal pro 4.0::19971010::extensions to html 4.0//",
  "-//spyglass//dtd html 2.0 extended//",
  "-//sun microsystems corp.//dtd hotjava html//",
  "-//sun microsystems corp.//dtd hotjava strict html//",
  "-//w3c//dtd html 3 1995-03-24//",
  "-//w3c//dtd html 3.2 draft//",
  "-//w3c//dtd html 3.2 final//",
  "-//w3c//dtd html 3.2//",
  "-//w3c//dtd html 3.2s draft//",
  "-//w3c//dtd html 4.0 frameset//",
  "-//w3c//dtd html 4.0 transitional//",
  "-//w3c//dtd html experimental 19960712//",
  "-//w3c//dtd html experimental 970421//",
  "-//w3c//dtd w3 html//",
  "-//w3o//dtd w3 html 3.0//",
  "-//webtechs//dtd mozilla html 2.0//",
  "-//webtechs//dtd mozilla html//"
];
var QUIRKY_PUBLIC_WHOLE = ["-//w3o//dtd w3 html strict 3.0//en//", "-/w3c/dtd html 4.0 transitional/en", "html"];
var QUIRKY_SYSTEM = "http://www.ibm.com/data/dtd/v11/ibmxhtml1-transitional.dtd";
var QUIRKY_WITHOUT_SYSTEM = ["-//w3c//dtd html 4.01 frameset//", "-//w3c//dtd html 4.01 transitional//"];
function identifier(text, at2) {
  let start = at2;
  while (isSpace(text.charCodeAt(start))) start++;
  const quote = text[start];
  if (quote !== '"' && quote !== "'") return null;
  const end = text.indexOf(quote, start + 1);
  const isOpen = end < 0;
  return { value: text.slice(start + 1, isOpen ? void 0 : end).toLowerCase(), end: end + 1, isOpen };
}
function isQuirkyDoctype(text, isClosed) {
  let at2 = 0;
  while (isSpace(text.charCodeAt(at2))) at2++;
  const nameStart = at2;
  while (at2 < text.length && !isSpace(text.charCodeAt(at2))) at2++;
  if (!isClosed || text.slice(nameStart, at2).toLowerCase() !== "html") return true;
  while (isSpace(text.charCodeAt(at2))) at2++;
  if (at2 >= text.length) return false;
  const keyword = text.slice(at2, at2 + 6).toLowerCase();
  if (keyword !== "public" && keyword !== "system") return true;
  const first = identifier(text, at2 + 6);
  if (!first || first.isOpen) return true;
  const second = keyword === "public" ? identifier(text, first.end) : null;
  if (second?.isOpen) return true;
  if (keyword === "public" && !second && text.slice(first.end).trim() !== "") return true;
  const publicId = keyword === "public" ? first.value : null;
  const systemId = keyword === "system" ? first.value : second?.value ?? null;
  if (systemId === QUIRKY_SYSTEM) return true;
  if (publicId === null) return false;
  if (QUIRKY_PUBLIC_WHOLE.includes(publicId)) return true;
  if (QUIRKY_PUBLIC.some((start) => publicId.startsWith(start))) return true;
  return systemId === null && QUIRKY_WITHOUT_SYSTEM.some((start) => publicId.startsWith(start));
}

// src/core/text/collapse.ts
var UNEVEN = /[\t\n\f\r]| {2}/;
function collapseWhiteSpace(text) {
  if (!UNEVEN.test(text)) return trimAscii(text);
  return text.replace(/[\t\n\f\r ]+/g, " ").replace(/^ | $/g, "");
}
var isAsciiSpace = (unit) => unit === 32 || unit >= 9 && unit <= 13 && unit !== 11;
function trimAscii(text) {
  let start = 0;
  let end = text.length;
  while (start < end && isAsciiSpace(text.charCodeAt(start))) start++;
  while (end > start && isAsciiSpace(text.charCodeAt(end - 1))) end--;
  return text.slice(start, end);
}
function isBlank(text) {
  return text === null || text === void 0 || /^[\s\u200B\u2060\uFEFF]*$/u.test(text);
}

// src/core/page/json-fault.ts
function findJsonFault(text) {
  const space = /[\t\n\r ]*/y;
  const string = /"[^"\\\u0000-\u001F]*(?:\\(?:["\\/bfnrt]|u[0-9a-fA-F]{4})[^"\\\u0000-\u001F]*)*"/y;
  const scalar = /-?(?:0|[1-9]\d*)(?:\.\d+)?(?:[eE][+-]?\d+)?|true|false|null/y;
  let index = 0;
  const open = [];
  let expects = "value";
  const skip = (pattern) => {
    pattern.lastIndex = index;
    const found = pattern.exec(text);
    if (found) index += found[0].length;
    return found !== null;
  };
  for (; ; ) {
    skip(space);
    const character = text[index];
    if (expects === "separator") {
      const closes = open.at(-1);
      if (closes === void 0) return character === void 0 ? null : index;
      if (character === closes) {
        open.pop();
        index++;
      } else if (character === ",") {
        index++;
        expects = closes === "}" ? "key" : "value";
      } else return index;
      continue;
    }
    if (expects === "first-key" && character === "}") {
      open.pop();
      index++;
      expects = "separator";
      continue;
    }
    if (expects === "key" || expects === "first-key") {
      if (!skip(string)) return index;
      skip(space);
      if (text[index] !== ":") return index;
      index++;
      expects = "value";
      continue;
    }
    if (expects === "first-value" && character === "]") {
      open.pop();
      index++;
      expects = "separator";
    } else if (character === "{") {
      open.push("}");
      index++;
      expects = "first-key";
    } else if (character === "[") {
      open.push("]");
      index++;
      expects = "first-value";
    } else {
      if (!(character === '"' ? skip(string) : skip(scalar))) return index;
      expects = "separator";
    }
  }
}

// src/core/page/json-ld-things.ts
var KINDS = [
  [/^(?:\w*Article|BlogPosting|Report)$/, "article"],
  [/^(?:Product|ProductGroup|IndividualProduct|ProductModel)$/, "product"],
  [/^Recipe$/, "recipe"],
  [/^(?:Movie)$/, "film"],
  [/^(?:\w*Application|SoftwareSourceCode|VideoGame)$/, "app"],
  [
    /^(?:Place|LocalBusiness|\w*(?:Store|Shop|Restaurant|Hotel|Museum|Library|Cafe|Bakery|Organization)|TouristAttraction|CivicStructure|Park)$/,
    "place"
  ]
];
var NEEDS_ADDRESS = /Organization$/;
var isNode = (value) => typeof value === "object" && value !== null && !Array.isArray(value);
var firstOf = (value) => Array.isArray(value) ? value[0] : value;
function textOf(value) {
  const first = firstOf(value);
  if (typeof first === "string") return first.trim() === "" ? void 0 : first.trim();
  if (typeof first === "number") return String(first);
  return isNode(first) ? textOf(first.name ?? first["@id"] ?? first.streetAddress ?? first.latitude) : void 0;
}
var lastSegment = (text) => text?.split("/").at(-1);
var FIELDS = {
  article: (node) => ({
    headline: textOf(node.headline),
    author: textOf(node.author),
    date: textOf(node.datePublished)
  }),
  product: (node) => {
    const offer = firstOf(node.offers);
    const offers = isNode(offer) ? offer : {};
    return {
      name: textOf(node.name),
      price: textOf(offers.price ?? offers.lowPrice),
      currency: textOf(offers.priceCurrency),
      availability: lastSegment(textOf(offers.availability))
    };
  },
  recipe: (node) => ({
    name: textOf(node.name),
    ingredients: Array.isArray(node.recipeIngredient) ? `${node.recipeIngredient.length} ingredients` : textOf(node.recipeIngredient),
    servings: textOf(node.recipeYield),
    time: textOf(node.totalTime ?? node.cookTime),
    diet: lastSegment(textOf(node.suitableForDiet))
  }),
  place: (node) => ({ name: textOf(node.name), address: textOf(node.address), position: textOf(node.geo) }),
  film: (node) => ({
    name: textOf(node.name),
    director: textOf(node.director),
    year: textOf(node.dateCreated)
  }),
  app: (node) => {
    const offer = firstOf(node.offers);
    return {
      name: textOf(node.name),
      "operating system": textOf(node.operatingSystem),
      price: isNode(offer) ? textOf(offer.price) : void 0
    };
  }
};
function kindOf(node) {
  const types = Array.isArray(node["@type"]) ? node["@type"] : [node["@type"]];
  for (const type of types) {
    if (typeof type !== "string") continue;
    const name2 = lastSegment(type);
    if (NEEDS_ADDRESS.test(name2) && node.address === void 0 && node.geo === void 0) continue;
    const found = KINDS.find(([pattern]) => pattern.test(name2));
    if (found) return found[1];
  }
  return null;
}
function richThings(value) {
  if (Array.isArray(value)) return value.flatMap(richThings);
  if (!isNode(value)) return [];
  const kind = kindOf(value);
  const own = kind ? [{ kind, fields: definedOnly(FIELDS[kind](value)) }] : [];
  return [...own, ...richThings(value["@graph"] ?? [])];
}
var SITE_TYPE = /^(?:WebSite|\w*Organization|Corporation|\w*Business|NGO)$/;
var OWNER_TYPE = /^Person$/;
var OWNERS = ["publisher", "sourceOrganization", "copyrightHolder"];
function siteNames(value, isOwner = false) {
  if (Array.isArray(value)) return value.flatMap((one) => siteNames(one, isOwner));
  if (!isNode(value)) return [];
  const types = Array.isArray(value["@type"]) ? value["@type"] : [value["@type"]];
  const isSite = types.some((type) => {
    const name2 = typeof type === "string" ? lastSegment(type) : "";
    return SITE_TYPE.test(name2) || isOwner && OWNER_TYPE.test(name2);
  });
  const own = isSite && typeof value.name === "string" && value.name.trim() !== "" ? [value.name.trim()] : [];
  return [...own, ...OWNERS.flatMap((key) => siteNames(value[key], true)), ...siteNames(value["@graph"])];
}
function definedOnly(fields) {
  return Object.fromEntries(Object.entries(fields).filter((entry) => entry[1] !== void 0));
}

// src/core/page/json-ld.ts
function typesOf(value) {
  if (Array.isArray(value)) return value.flatMap(typesOf);
  if (typeof value !== "object" || value === null) return [];
  const node = value;
  const own = Array.isArray(node["@type"]) ? node["@type"] : [node["@type"]];
  return [...own.filter((type) => typeof type === "string"), ...typesOf(node["@graph"] ?? [])];
}
var unique = (names) => names.length < 2 ? names : [...new Set(names)];
function readJsonLd(text) {
  if (trimAscii(text) === "") return { types: [], things: [], siteNames: [], error: "empty", faultOffset: 0 };
  try {
    const value = JSON.parse(text);
    return {
      types: typesOf(value),
      things: richThings(value),
      siteNames: unique(siteNames(value)),
      error: null,
      faultOffset: null
    };
  } catch {
    const faultOffset = findJsonFault(text) ?? text.length;
    const seen = text.slice(faultOffset, faultOffset + 12).trim();
    return {
      types: [],
      things: [],
      siteNames: [],
      error: seen ? `not JSON at \u201C${seen}\u201D` : "not JSON: it ends too early",
      faultOffset
    };
  }
}

// src/core/page/scan/tag-table.ts
var IS_SPECIAL = 1 << 0;
var IS_SCOPE = 1 << 1;
var IS_IMPLIED_END = 1 << 2;
var IS_IMPLIED_END_THOROUGH = 1 << 3;
var IS_FOSTERS = 1 << 4;
var IS_HEADING = 1 << 5;
var IS_LIST_PASS = 1 << 6;
var IS_BREAKOUT = 1 << 7;
var IS_ASIDE = 1 << 8;
var IS_MAIN = 1 << 9;
var IS_UNSEEN = 1 << 10;
var IS_SPEAKS = 1 << 11;
var IS_READS_ATTRIBUTES = 1 << 12;
var IS_TELLING = 1 << 13;
var A = 1;
var ANNOTATION_XML = 3;
var AREA = 5;
var ARTICLE = 6;
var BASE = 9;
var BASEFONT = 10;
var BGSOUND = 11;
var BODY = 14;
var BR = 15;
var BUTTON = 16;
var CAPTION = 17;
var COL = 22;
var COLGROUP = 23;
var DD = 24;
var DESC = 26;
var DT = 32;
var FONT = 42;
var FOREIGNOBJECT = 44;
var FORM = 45;
var FRAMESET = 47;
var H1 = 49;
var H6 = 54;
var HEAD = 55;
var HR = 58;
var HTML = 59;
var IFRAME = 61;
var IMAGE = 62;
var IMG = 63;
var INPUT = 64;
var KEYGEN = 65;
var LI = 66;
var LINK = 69;
var MAIN = 71;
var MALIGNMARK = 72;
var MATH = 75;
var META = 77;
var MGLYPH = 78;
var MI = 79;
var MN = 80;
var MO = 81;
var MS = 82;
var MTEXT = 83;
var NOBR = 85;
var NOEMBED = 86;
var NOFRAMES = 87;
var NOSCRIPT = 88;
var OL = 90;
var OPTGROUP = 91;
var OPTION = 92;
var P = 93;
var PLAINTEXT = 97;
var RTC = 106;
var RUBY = 107;
var SCRIPT = 109;
var SELECT = 112;
var STYLE = 119;
var SVG = 123;
var TABLE = 125;
var TBODY = 126;
var TD = 127;
var TEMPLATE = 128;
var TEXTAREA = 130;
var TFOOT = 131;
var TH = 132;
var THEAD = 133;
var TITLE = 134;
var TR = 135;
var UL = 140;
var XMP = 144;
var START_HTML = 1;
var START_HEAD_CONTENT = 2;
var START_BODY = 3;
var START_FRAMESET = 4;
var START_BLOCK = 5;
var START_HEADING = 6;
var START_PRE = 7;
var START_FORM = 8;
var START_LI = 9;
var START_DD_DT = 10;
var START_PLAINTEXT = 11;
var START_BUTTON = 12;
var START_A = 13;
var START_FORMATTING = 14;
var START_NOBR = 15;
var START_MARKER = 16;
var START_TABLE = 17;
var START_VOID = 18;
var START_INPUT = 19;
var START_VOID_PLAIN = 20;
var START_HR = 21;
var START_TEXTAREA = 22;
var START_XMP = 23;
var START_IFRAME = 24;
var START_NOEMBED = 25;
var START_SELECT = 26;
var START_OPTION = 27;
var START_RUBY_BASE = 28;
var START_RUBY_TEXT = 29;
var START_FOREIGN = 30;
var START_IGNORED = 31;
var END_TEMPLATE = 1;
var END_BODY = 2;
var END_HTML = 3;
var END_BLOCK = 4;
var END_FORM = 5;
var END_P = 6;
var END_LI = 7;
var END_DD_DT = 8;
var END_HEADING = 9;
var END_FORMATTING = 10;
var END_MARKER = 11;
var END_BR = 12;
var NAMES = [
  "",
  "a",
  "address",
  "annotation-xml",
  "applet",
  "area",
  "article",
  "aside",
  "b",
  "base",
  "basefont",
  "bgsound",
  "big",
  "blockquote",
  "body",
  "br",
  "button",
  "caption",
  "center",
  "circle",
  "clippath",
  "code",
  "col",
  "colgroup",
  "dd",
  "defs",
  "desc",
  "details",
  "dialog",
  "dir",
  "div",
  "dl",
  "dt",
  "ellipse",
  "em",
  "embed",
  "fegaussianblur",
  "feoffset",
  "fieldset",
  "figcaption",
  "figure",
  "filter",
  "font",
  "footer",
  "foreignobject",
  "form",
  "frame",
  "frameset",
  "g",
  "h1",
  "h2",
  "h3",
  "h4",
  "h5",
  "h6",
  "head",
  "header",
  "hgroup",
  "hr",
  "html",
  "i",
  "iframe",
  "image",
  "img",
  "input",
  "keygen",
  "li",
  "line",
  "lineargradient",
  "link",
  "listing",
  "main",
  "malignmark",
  "marquee",
  "mask",
  "math",
  "menu",
  "meta",
  "mglyph",
  "mi",
  "mn",
  "mo",
  "ms",
  "mtext",
  "nav",
  "nobr",
  "noembed",
  "noframes",
  "noscript",
  "object",
  "ol",
  "optgroup",
  "option",
  "p",
  "param",
  "path",
  "pattern",
  "plaintext",
  "polygon",
  "polyline",
  "pre",
  "radialgradient",
  "rb",
  "rect",
  "rp",
  "rt",
  "rtc",
  "ruby",
  "s",
  "script",
  "search",
  "section",
  "select",
  "small",
  "source",
  "span",
  "stop",
  "strike",
  "strong",
  "style",
  "sub",
  "summary",
  "sup",
  "svg",
  "symbol",
  "table",
  "tbody",
  "td",
  "template",
  "text",
  "textarea",
  "tfoot",
  "th",
  "thead",
  "title",
  "tr",
  "track",
  "tspan",
  "tt",
  "u",
  "ul",
  "use",
  "var",
  "wbr",
  "xmp"
];
var PROPS = Int32Array.from([
  0,
  14336,
  65,
  4096,
  3,
  14337,
  10753,
  257,
  128,
  14337,
  1,
  1,
  128,
  129,
  129,
  129,
  1,
  11,
  129,
  0,
  0,
  128,
  1,
  9,
  141,
  0,
  0,
  1,
  256,
  1,
  193,
  129,
  141,
  0,
  128,
  129,
  0,
  0,
  1,
  1,
  1,
  0,
  4096,
  257,
  0,
  257,
  1,
  1,
  0,
  10401,
  161,
  161,
  161,
  161,
  161,
  129,
  257,
  1,
  129,
  14339,
  128,
  8193,
  14336,
  14465,
  4097,
  1,
  141,
  0,
  0,
  14337,
  129,
  10753,
  0,
  3,
  0,
  12288,
  129,
  14465,
  0,
  0,
  0,
  0,
  0,
  0,
  257,
  128,
  8193,
  8193,
  1025,
  3,
  129,
  12,
  12,
  6349,
  1,
  0,
  0,
  8193,
  0,
  0,
  129,
  0,
  12,
  0,
  12,
  12,
  12,
  128,
  128,
  15361,
  1,
  1,
  8193,
  128,
  1,
  128,
  0,
  128,
  128,
  9217,
  128,
  1,
  128,
  12288,
  0,
  147,
  25,
  11,
  9219,
  0,
  8193,
  25,
  11,
  25,
  10241,
  25,
  1,
  0,
  128,
  128,
  129,
  0,
  128,
  1,
  8193
]);
var IN_BODY_START = Uint8Array.from([
  0,
  13,
  5,
  0,
  16,
  18,
  5,
  5,
  14,
  2,
  2,
  2,
  14,
  5,
  3,
  18,
  12,
  31,
  5,
  0,
  0,
  14,
  31,
  31,
  10,
  0,
  0,
  5,
  5,
  5,
  5,
  5,
  10,
  0,
  14,
  18,
  0,
  0,
  5,
  5,
  5,
  0,
  14,
  5,
  0,
  8,
  31,
  4,
  0,
  6,
  6,
  6,
  6,
  6,
  6,
  31,
  5,
  5,
  21,
  1,
  14,
  24,
  18,
  18,
  19,
  18,
  9,
  0,
  0,
  2,
  7,
  5,
  0,
  16,
  0,
  30,
  5,
  2,
  0,
  0,
  0,
  0,
  0,
  0,
  5,
  15,
  25,
  2,
  0,
  16,
  5,
  27,
  27,
  5,
  20,
  0,
  0,
  11,
  0,
  0,
  7,
  0,
  28,
  0,
  29,
  29,
  28,
  0,
  14,
  2,
  5,
  5,
  26,
  14,
  20,
  0,
  0,
  14,
  14,
  2,
  0,
  5,
  0,
  30,
  0,
  17,
  31,
  31,
  2,
  0,
  22,
  31,
  31,
  31,
  2,
  31,
  20,
  0,
  14,
  14,
  5,
  0,
  0,
  18,
  23
]);
var IN_BODY_END = Uint8Array.from([
  0,
  10,
  4,
  0,
  11,
  0,
  4,
  4,
  10,
  0,
  0,
  0,
  10,
  4,
  2,
  12,
  4,
  0,
  4,
  0,
  0,
  10,
  0,
  0,
  8,
  0,
  0,
  4,
  4,
  4,
  4,
  4,
  8,
  0,
  10,
  0,
  0,
  0,
  4,
  4,
  4,
  0,
  10,
  4,
  0,
  5,
  0,
  0,
  0,
  9,
  9,
  9,
  9,
  9,
  9,
  0,
  4,
  4,
  0,
  3,
  10,
  0,
  0,
  0,
  0,
  0,
  7,
  0,
  0,
  0,
  4,
  4,
  0,
  11,
  0,
  0,
  4,
  0,
  0,
  0,
  0,
  0,
  0,
  0,
  4,
  10,
  0,
  0,
  0,
  11,
  4,
  0,
  0,
  6,
  0,
  0,
  0,
  0,
  0,
  0,
  4,
  0,
  0,
  0,
  0,
  0,
  0,
  0,
  10,
  0,
  4,
  4,
  0,
  10,
  0,
  0,
  0,
  10,
  10,
  0,
  0,
  4,
  0,
  0,
  0,
  0,
  0,
  0,
  1,
  0,
  0,
  0,
  0,
  0,
  0,
  0,
  0,
  0,
  10,
  10,
  4,
  0,
  0,
  0,
  0
]);

// src/core/page/scan/open-elements.ts
var HTML_NS = 0;
var MATH_NS = 1;
var SVG_NS = 2;
var IN_HEAD = 1;
var IN_ASIDE = 2;
var IN_MAIN = 4;
var IN_TEMPLATE = 8;
var IN_UNSEEN = 16;
var OPENS_TEXT = 32;
var HTML_POINT = 64;
var IN_UNCOUNTED = 128;
var TEXT_SHIFT = 8;
var inherited = (context) => context & ~(OPENS_TEXT | HTML_POINT);
var FIRST_ENTRIES = 32;
var CELLS = 16;
var KEY = 0;
var PROPS2 = 1;
var CONTEXT = 2;
var UID = 3;
var SAME_BELOW = 4;
var SCOPE = 5;
var SPECIAL = 6;
var LIST_STOP = 7;
var HTML2 = 8;
var spare = null;
var MOST_SPARE = 1 << 14;
var GONE = -1;
function foreignProps(tag, namespace) {
  const isPoint = namespace === SVG_NS ? tag === FOREIGNOBJECT || tag === DESC || tag === TITLE : isMathTextPoint(tag) || tag === ANNOTATION_XML;
  return isPoint ? IS_SPECIAL | IS_SCOPE : 0;
}
var isMathTextPoint = (tag) => tag === MI || tag === MO || tag === MN || tag === MS || tag === MTEXT;
var OpenElements = class {
  constructor(onTextClosed) {
    this.onTextClosed = onTextClosed;
    this.cells = spare?.cells ?? new Int32Array(FIRST_ENTRIES * CELLS);
    this.topOf = spare?.topOf ?? new Int32Array(PROPS.length * 4).fill(-1);
    spare = null;
  }
  onTextClosed;
  /** Index of the current node; -1 when nothing is open. */
  top = -1;
  /** The entries, {@link CELLS} numbers each: a page of a hundred tags makes one array, and a push writes one line of it. */
  cells;
  /** Topmost entry of each key; -1 where none is open. */
  topOf;
  lastUid = 0;
  /** Entries on the stack that began a gathering of text. */
  textsOpen = 0;
  /** The page is over: all that is open closes, and nothing is opened any more. */
  popAll() {
    this.popThrough(0);
    if (this.cells.length <= MOST_SPARE && this.topOf.length <= MOST_SPARE) {
      spare = { cells: this.cells, topOf: this.topOf };
    }
  }
  push(tag, namespace, context) {
    const at2 = ++this.top;
    const key = tag << 2 | namespace;
    if (key >= this.topOf.length) this.growKeys(key);
    const cell = at2 * CELLS;
    if (cell === this.cells.length) this.growCells();
    const { cells } = this;
    const isHtml = namespace === HTML_NS;
    const props = isHtml ? tag < PROPS.length ? PROPS[tag] : 0 : foreignProps(tag, namespace);
    cells[cell + KEY] = key;
    cells[cell + PROPS2] = props;
    cells[cell + CONTEXT] = context;
    cells[cell + UID] = ++this.lastUid;
    cells[cell + SAME_BELOW] = this.topOf[key];
    this.topOf[key] = at2;
    this.setBoundaries(at2, cell, props);
    cells[cell + HTML2] = isHtml ? at2 : at2 > 0 ? cells[cell - CELLS + HTML2] : -1;
    if ((context & OPENS_TEXT) !== 0) this.textsOpen++;
  }
  /** Writes which entries are the nearest boundaries of an entry, given those of the one below it. */
  setBoundaries(at2, cell, props) {
    const { cells } = this;
    const below = cell - CELLS;
    const isSpecial = (props & IS_SPECIAL) !== 0;
    const isStop = isSpecial && (props & IS_LIST_PASS) === 0;
    cells[cell + SCOPE] = (props & IS_SCOPE) !== 0 ? at2 : at2 > 0 ? cells[below + SCOPE] : -1;
    cells[cell + SPECIAL] = isSpecial ? at2 : at2 > 0 ? cells[below + SPECIAL] : -1;
    cells[cell + LIST_STOP] = isStop ? at2 : at2 > 0 ? cells[below + LIST_STOP] : -1;
  }
  pop() {
    const { cells } = this;
    let cell = this.top-- * CELLS;
    this.topOf[cells[cell + KEY]] = cells[cell + SAME_BELOW];
    if (this.textsOpen > 0 && (cells[cell + CONTEXT] & OPENS_TEXT) !== 0) {
      this.textsOpen--;
      this.onTextClosed(cells[cell + CONTEXT] >> TEXT_SHIFT);
    }
    for (cell -= CELLS; cell >= 0 && cells[cell] === GONE; cell -= CELLS) this.top--;
  }
  /** Pops until the entry at `index` is popped. */
  popThrough(index) {
    while (this.top >= index) this.pop();
  }
  /** Takes an entry out of the middle; those above stay. */
  removeAt(index) {
    if (index === this.top) {
      this.pop();
      return;
    }
    const { cells } = this;
    const cell = index * CELLS;
    const key = cells[cell + KEY];
    if (this.topOf[key] === index) this.topOf[key] = cells[cell + SAME_BELOW];
    else {
      let above = this.topOf[key];
      while (cells[above * CELLS + SAME_BELOW] !== index) above = cells[above * CELLS + SAME_BELOW];
      cells[above * CELLS + SAME_BELOW] = cells[cell + SAME_BELOW];
    }
    const wasSpecial = (cells[cell + PROPS2] & IS_SPECIAL) !== 0;
    cells[cell + KEY] = GONE;
    cells[cell + PROPS2] = 0;
    if (wasSpecial) for (let at2 = index; at2 <= this.top; at2++) this.setBoundaries(at2, at2 * CELLS, this.propsOf(at2));
  }
  /** Number of the current node's element; -1 when nothing is open. */
  get tag() {
    return this.top < 0 ? -1 : this.cells[this.top * CELLS + KEY] >> 2;
  }
  get namespace() {
    return this.top < 0 ? HTML_NS : this.cells[this.top * CELLS + KEY] & 3;
  }
  get props() {
    return this.top < 0 ? 0 : this.cells[this.top * CELLS + PROPS2];
  }
  get context() {
    return this.top < 0 ? 0 : this.cells[this.top * CELLS + CONTEXT];
  }
  contextAt(index) {
    return index < 0 ? 0 : this.cells[index * CELLS + CONTEXT];
  }
  tagAt(index) {
    return this.cells[index * CELLS + KEY] >> 2;
  }
  isGone(index) {
    return this.cells[index * CELLS + KEY] === GONE;
  }
  uidAt(index) {
    return this.cells[index * CELLS + UID];
  }
  propsOf(index) {
    return this.cells[index * CELLS + PROPS2];
  }
  /** True when an element stands in scope (13.2.4.2), given its own place on the stack. */
  isInScope(index) {
    return index >= this.boundary();
  }
  /** True when the current node is this HTML element. */
  isTop(tag) {
    return this.top >= 0 && this.cells[this.top * CELLS + KEY] === tag << 2;
  }
  /** Index of the topmost open HTML element of a kind; -1 when there is none. */
  nearest(tag) {
    const key = tag << 2;
    return key < this.topOf.length ? this.topOf[key] : -1;
  }
  has(tag) {
    return this.nearest(tag) >= 0;
  }
  boundary() {
    return this.top < 0 ? -1 : this.cells[this.top * CELLS + SCOPE];
  }
  inScope(tag) {
    const at2 = this.nearest(tag);
    return at2 >= 0 && at2 >= this.boundary();
  }
  inButtonScope(tag) {
    const at2 = this.nearest(tag);
    return at2 >= 0 && at2 >= this.boundary() && at2 >= this.nearest(BUTTON);
  }
  inListScope(tag) {
    const at2 = this.nearest(tag);
    return at2 >= 0 && at2 >= this.boundary() && at2 >= this.nearest(OL) && at2 >= this.nearest(UL);
  }
  inTableScope(tag) {
    const at2 = this.nearest(tag);
    return at2 >= 0 && at2 >= this.nearest(TABLE) && at2 >= this.nearest(TEMPLATE);
  }
  headingInScope() {
    return this.nearestHeading() >= Math.max(0, this.boundary());
  }
  nearestHeading() {
    let at2 = -1;
    for (let tag = H1; tag <= H6; tag++) at2 = Math.max(at2, this.nearest(tag));
    return at2;
  }
  /** Nearest special element at or below the current node. */
  get nearestSpecial() {
    return this.top < 0 ? -1 : this.cells[this.top * CELLS + SPECIAL];
  }
  /** Where the search for an open li, dd or dt ends. */
  get listStop() {
    return this.top < 0 ? -1 : this.cells[this.top * CELLS + LIST_STOP];
  }
  /** Index of the foreign element of this name above the nearest HTML element; -1 when there is none. */
  nearestForeign(tag) {
    const key = tag << 2;
    if ((key | 3) >= this.topOf.length) return -1;
    const at2 = Math.max(this.topOf[key | MATH_NS], this.topOf[key | SVG_NS]);
    return at2 > this.cells[this.top * CELLS + HTML2] ? at2 : -1;
  }
  generateImpliedEnds(except = 0) {
    while ((this.props & IS_IMPLIED_END) !== 0) {
      if (this.isTop(except)) return;
      this.pop();
    }
  }
  generateImpliedEndsThoroughly() {
    while ((this.props & IS_IMPLIED_END_THOROUGH) !== 0) this.pop();
  }
  growCells() {
    const next = new Int32Array(this.cells.length * 2);
    next.set(this.cells);
    this.cells = next;
  }
  growKeys(key) {
    const next = new Int32Array(Math.max(this.topOf.length * 2, key + 4)).fill(-1);
    next.set(this.topOf);
    this.topOf = next;
  }
};

// src/core/page/scan/captured-texts.ts
var PARAGRAPH_CHARACTERS = 20;
var MOST_OPEN = 10;
function isParagraph(text) {
  if (text.length >= 2 * PARAGRAPH_CHARACTERS) return true;
  return text.length >= PARAGRAPH_CHARACTERS && [...text].length >= PARAGRAPH_CHARACTERS;
}
var CapturedTexts = class {
  title = null;
  h1 = null;
  paragraph = null;
  mainParagraph = null;
  /** By number less one; a number is given again once its element is closed. */
  slots = [];
  openCount = 0;
  get isAnyOpen() {
    return this.openCount > 0;
  }
  /** True when no further paragraph can become the first. */
  isSettled(isMain) {
    return this.mainParagraph !== null || !isMain && this.paragraph !== null;
  }
  /** Forgets what was found in a body that is no more. */
  forget() {
    this.h1 = null;
    this.paragraph = null;
    this.mainParagraph = null;
  }
  /** @returns the text's number; 0 when too many are open */
  open(tag, kind, context, at2) {
    let slot = this.slots.indexOf(null);
    if (slot < 0) slot = this.slots.length;
    if (slot >= MOST_OPEN) return 0;
    const outer = (context & IN_UNSEEN) === 0 ? context >>> TEXT_SHIFT : 0;
    const { start, line, column } = at2;
    const text = { tag, kind, start, line, column, row: null, endByte: 0, text: "", outer };
    this.slots[slot] = text;
    this.openCount++;
    if (kind === "title" || kind === "h1") this[kind] = text;
    return slot + 1;
  }
  tagOf(number) {
    return this.slots[number - 1]?.tag ?? 0;
  }
  add(context, run) {
    if (context >>> TEXT_SHIFT !== 0) this.addText(context, run.value);
  }
  /** Adds what stands in `context` to the text it belongs to, and to those around it. */
  addText(context, text) {
    if ((context & IN_UNSEEN) !== 0) return;
    for (let number = context >>> TEXT_SHIFT; number !== 0; ) {
      const slot = this.slots[number - 1];
      if (!slot) return;
      slot.text += text;
      number = slot.outer;
    }
  }
  /** Makes the rows of texts still open, before the source that holds their tags is let go of. */
  keepRows(rowAt) {
    for (const text of this.slots) if (text) text.row ??= rowAt(text);
  }
  close(number, endByte, rowAt) {
    const text = this.slots[number - 1];
    if (!text) return;
    this.slots[number - 1] = null;
    this.openCount--;
    if (text.kind === "title" || text.kind === "h1") this.finish(text, endByte, rowAt);
    else if (isParagraph(collapseWhiteSpace(text.text))) {
      const found = this[text.kind];
      if (found && found.start < text.start) return;
      this.finish(text, endByte, rowAt);
      this[text.kind] = text;
    }
  }
  finish(text, endByte, rowAt) {
    text.endByte = endByte();
    text.row ??= rowAt(text);
  }
};

// src/core/page/scan/detach.ts
var SHORT2 = 12;
function detached(text) {
  return text.length <= SHORT2 ? text : ` ${text}`.slice(1);
}

// src/core/page/lines.ts
var LineIndex = class {
  constructor(text) {
    this.text = text;
    let next = Math.min(at(text, "\n", 0), at(text, "\r", 0));
    while (next < text.length) {
      const isPair = text.charCodeAt(next) === 13 && text.charCodeAt(next + 1) === 10;
      const start = next + (isPair ? 2 : 1);
      this.starts.push(start);
      next = nextLineEnd(text, start);
    }
  }
  text;
  /** Offset at which each line starts; line 1 first. */
  starts = [0];
  get count() {
    return this.starts.length;
  }
  /** Line and column, both from 1, of an offset in UTF-16 code units. */
  positionOf(offset) {
    let low = 0;
    let high = this.starts.length - 1;
    while (low < high) {
      const middle = low + high + 1 >> 1;
      if (this.starts[middle] <= offset) low = middle;
      else high = middle - 1;
    }
    return { line: low + 1, column: offset - this.starts[low] + 1 };
  }
  /** Offset of a line's first unit. */
  startOf(line) {
    return this.starts[line - 1] ?? this.text.length;
  }
  /** Offset after a line's last unit, its line end left out. */
  endOf(line) {
    let end = this.starts[line] ?? this.text.length;
    while (end > this.startOf(line) && (this.text.charCodeAt(end - 1) === 10 || this.text.charCodeAt(end - 1) === 13))
      end--;
    return end;
  }
};
function at(text, character, from) {
  const found = text.indexOf(character, from);
  return found < 0 ? text.length : found;
}
function nextLineEnd(text, from) {
  for (let index = from; index < text.length; index++) {
    const unit = text.charCodeAt(index);
    if (unit === 10 || unit === 13) return index;
  }
  return text.length;
}

// src/core/page/scan/source-rows.ts
var LONG_LINE = 160;
var ROW_CHARACTERS = 400;
var HEAD_ROWS = 300;
var SCRIPT_LINES = 6;
function rowText(text, start, end) {
  const raw = detached(text.slice(start, Math.min(end, start + ROW_CHARACTERS)));
  return end > start + ROW_CHARACTERS ? `${raw}\u2026` : raw;
}
function lengthOfLine(text) {
  const feed = text.indexOf("\n");
  const line = feed < 0 ? text : text.slice(0, feed);
  const carriage = line.indexOf("\r");
  return carriage < 0 ? line.length : carriage;
}
function hiddenLines(scripts, lines) {
  return scripts.flatMap(({ start, end }) => {
    const first = lines.positionOf(start).line + SCRIPT_LINES;
    const last = lines.positionOf(end).line - 1;
    return last > first ? [{ start: first, end: last }] : [];
  });
}
function headRows(text, starts, scripts) {
  const end = text.length;
  if (end === 0) return [];
  const lines = new LineIndex(text);
  const hidden = hiddenLines(scripts, lines);
  const rows = [];
  let next = 0;
  for (let line = 1; line <= lines.count && rows.length < HEAD_ROWS; line++) {
    const lineStart = lines.startOf(line);
    const lineEnd = line === lines.count ? Math.max(end, lineStart) : lines.endOf(line);
    const cuts = [];
    while (next < starts.length && starts[next] < lineEnd) {
      if (starts[next] > lineStart) cuts.push(starts[next]);
      next++;
    }
    if (hidden.some((span) => line >= span.start && line <= span.end)) continue;
    const isLong = lineEnd - lineStart > LONG_LINE;
    const bounds = [lineStart, ...isLong ? cuts : [], lineEnd];
    for (let at2 = 0; at2 + 1 < bounds.length; at2++) {
      const start = bounds[at2];
      if (text.slice(start, bounds[at2 + 1]).trim() === "") continue;
      const { line: atLine, column } = lines.positionOf(start);
      rows.push({ line: atLine, column, text: rowText(text, start, bounds[at2 + 1]), inHead: true });
    }
  }
  return rows;
}
var BODY_ROWS = 100;
var IMAGE_ROWS = 5;
var HEAD_TAGS = 5e3;
var SourceRows = class {
  constructor(positions) {
    this.positions = positions;
  }
  positions;
  isHeadRead = false;
  text = "";
  base = 0;
  headText = "";
  headEnd = 0;
  starts = [];
  scripts = [];
  images = 0;
  body = [];
  extend(text, base) {
    this.text = text;
    this.base = base;
  }
  /** A token of the head, or the one that opens the body; `previousEnd` is where the token before it ended. */
  noteToken(start, previousEnd) {
    this.headEnd = previousEnd;
    if (this.starts.length < HEAD_TAGS) this.starts.push(start);
  }
  noteScript(start, end) {
    if (!this.isHeadRead) this.scripts.push({ start, end });
  }
  /** The head ends before the token noted last. */
  finishHead() {
    if (this.isHeadRead) return;
    this.isHeadRead = true;
    this.headText = this.text.slice(0, this.headEnd);
  }
  noteImage(offset) {
    if (this.images++ < IMAGE_ROWS) this.note(offset, this.rowAt(offset, this.positions.at(offset)));
  }
  /** A tag of the body that is worth a row. */
  noteBodyTag(offset) {
    this.note(offset, this.rowAt(offset, this.positions.at(offset)));
  }
  /** The row of a tag of the body that may turn out to be worth one; null in the head, whose rows are all kept. */
  rowAt(offset, at2) {
    const start = offset - this.base;
    if (!this.isHeadRead || start < 0 || offset < this.headEnd) return null;
    const row = this.text.slice(start, start + ROW_CHARACTERS + 1);
    return { line: at2.line, column: at2.column, text: rowText(row, 0, lengthOfLine(row)), inHead: false };
  }
  note(offset, row) {
    if (row && this.body.length < BODY_ROWS && this.body.every((noted) => noted.offset !== offset)) {
      this.body.push({ offset, row });
    }
  }
  forgetBody() {
    this.body = [];
    this.images = 0;
  }
  /** The page is over. @param end offset after its last token */
  finish(end) {
    if (this.isHeadRead) return;
    this.headEnd = end;
    this.finishHead();
  }
  /** All rows, once the page is over. */
  result() {
    this.body.sort((a, b) => a.offset - b.offset);
    const head2 = headRows(this.headText, this.starts, this.scripts);
    return [...head2, ...this.body.map(({ row }) => row)];
  }
};

// src/core/page/scan/values.ts
var SPACE2 = /[\t\n\f\r ]/;
var NUMBER = /^\s*\d+(?:\.\d+)?/;
function tokensOf(value) {
  if (!SPACE2.test(value)) return value === "" ? [] : [value];
  return value.split(/[\t\n\f\r ]+/).filter((token) => token !== "");
}
function declaredSize(value) {
  const found = NUMBER.exec(value ?? "");
  return found && !value.includes("%") ? Number(found[0]) : null;
}
function imageSource(attributes) {
  const plain = attributes.get("src");
  const own = plain && !plain.startsWith("data:") ? plain : null;
  if (own) return own;
  const lazy = attributes.get("data-src") ?? attributes.get("data-lazy-src");
  const fromSet = (attributes.get("srcset") ?? "").trim().split(/[\s,]+/)[0];
  return lazy ?? (fromSet || null);
}
function refreshAddress(content) {
  const found = /^[\s\d.]*[;,]?\s*(?:url\s*=\s*)?(?:"([^"]*)"?|'([^']*)'?|(.*))$/is.exec(content);
  const address = trimAscii(found?.[1] ?? found?.[2] ?? found?.[3] ?? "");
  return address === "" ? null : address;
}
function looksLikeShareLink(href) {
  if (!href.includes("?") || !href.includes("//")) return false;
  return /^\s*(?:https?:)?\/\/[^?#]*\?(?:[^#]*&)?(?:u|url|link|href|text)=/i.test(href);
}

// src/core/page/scan/facts.ts
var REFRESH_PAGE_CHARACTERS = 250;
var SHELL_CHARACTERS = 25;
var SHARE_LINKS = 50;
var FactGatherer = class {
  constructor(positions, attributes) {
    this.positions = positions;
    this.attributes = attributes;
    this.rows = new SourceRows(positions);
    this.texts = new CapturedTexts();
  }
  positions;
  attributes;
  rows;
  texts;
  text = "";
  base = 0;
  tokenStart = 0;
  tokenEnd = 0;
  ending = 0;
  /** Where the last token of the page ended. */
  lastToken = 0;
  metas = [];
  links = [];
  images = [];
  jsonLd = [];
  hrefs = [];
  shareLinks = [];
  language = null;
  baseHref = null;
  refresh = null;
  hasMain = false;
  loadsScript = false;
  /** Visible characters of the body, counted no further than anybody asks. */
  visible = 0;
  /** What is told is known already: the tree only catches up with the page. */
  isMuted = false;
  headClosedBy = null;
  /** Where the JSON-LD script being read stands. */
  script = null;
  rowOf = ({ start, line, column }) => this.rows.rowAt(start, { line, column });
  /** Puts back what was known when the body began. */
  forgetBody = () => {
  };
  /** The text in hand, and its offset within the page. */
  extend(text, base) {
    this.text = text;
    this.base = base;
    this.rows.extend(text, base);
  }
  /** The text in hand is about to be let go of. */
  beforeDrop() {
    this.rows.finishHead();
    this.texts.keepRows(this.rowOf);
  }
  /** The tag or text being read, by offsets within the page; `ending` is the element that an end tag names. */
  atToken(start, end, ending) {
    if (!this.rows.isHeadRead) this.rows.noteToken(start, this.tokenEnd);
    this.tokenStart = start;
    this.tokenEnd = end;
    this.ending = ending;
  }
  /** The page is over: what is still open ends here. */
  atEnd(offset) {
    this.lastToken = this.tokenEnd;
    this.tokenStart = offset;
    this.tokenEnd = offset;
    this.ending = 0;
  }
  bodyOpened() {
    this.rows.finishHead();
    const { metas, links, images, jsonLd, hrefs, shareLinks, refresh, baseHref } = this;
    const lengths = [metas, links, images, jsonLd, hrefs, shareLinks].map((list) => list.length);
    const { title } = this.texts;
    this.forgetBody = () => {
      for (const [at2, list] of [metas, links, images, jsonLd, hrefs, shareLinks].entries()) list.length = lengths[at2];
      this.texts.forget();
      this.texts.title = title;
      this.rows.forgetBody();
      this.refresh = refresh;
      this.baseHref = baseHref;
      this.hasMain = false;
      this.visible = 0;
    };
  }
  bodyDropped() {
    this.forgetBody();
  }
  headLeft(tag) {
    if (tag === BODY) return;
    const raw = this.text.slice(this.tokenStart - this.base, this.tokenStart - this.base + 60);
    const name2 = tag === 0 ? "text" : raw.slice(0, 1 + Math.max(0, raw.slice(1).search(/[\s/>]|$/)));
    this.headClosedBy = { by: detached(tag === 0 ? name2 : `${name2}>`), ...this.positions.at(this.tokenStart) };
  }
  /** Asked at every token, before {@link isSettled}: no text is open, and enough was read to know what the page is. */
  get isNearlySettled() {
    return this.visible > REFRESH_PAGE_CHARACTERS && (this.hasMain || this.texts.paragraph !== null);
  }
  /** No text of the page is open or still to come, but for those that {@link isTextSettled} is asked for. */
  isSettled(isInMain) {
    return !this.texts.isAnyOpen && (this.texts.mainParagraph !== null || !isInMain);
  }
  /** True when an element of this kind can't add to the texts of the page any more. */
  isTextSettled(tag) {
    if (tag === H1) return this.texts.h1 !== null;
    if (tag === TITLE) return this.texts.title !== null;
    return tag !== MAIN && tag !== ARTICLE || this.texts.mainParagraph !== null;
  }
  /** True when a text that stands in `context` is of no use any more. */
  ignoresText(context) {
    return context >>> TEXT_SHIFT === 0 && this.visible > REFRESH_PAGE_CHARACTERS;
  }
  insertText(context, run) {
    this.texts.add(context, run);
    if ((context & (IN_HEAD | IN_UNCOUNTED)) === 0 && this.visible <= REFRESH_PAGE_CHARACTERS) this.count(run.value);
  }
  count(text) {
    for (let index = 0; index < text.length; index++) {
      const unit = text.charCodeAt(index);
      if (unit > 32 && (unit < 56320 || unit > 57343)) this.visible++;
    }
  }
  textClosed(number) {
    const isOwnEnd = this.ending !== 0 && this.texts.tagOf(number) === this.ending;
    const endByte = () => this.positions.bytesBefore(isOwnEnd ? this.tokenEnd : this.tokenStart);
    this.texts.close(number, endByte, this.rowOf);
  }
  /** Content of an element that holds text only. */
  rawContent(context, start, end, isScript, hasReferences) {
    this.rows.noteScript(this.tokenStart, this.base + end);
    if (isScript) {
      if (this.script) this.addJsonLd(this.script, start, end);
      this.script = null;
      return;
    }
    if (context >>> TEXT_SHIFT === 0) return;
    const raw = normalized(this.text.slice(start, end));
    this.texts.addText(context, hasReferences && raw.includes("&") ? decodeHTML(raw) : raw);
  }
  addJsonLd(at2, start, end) {
    const { types, things, siteNames: siteNames2, error, faultOffset } = readJsonLd(
      this.text.slice(start, end).replaceAll("\0", "\uFFFD")
    );
    const errorLine = faultOffset === null ? null : this.positions.at(this.base + start + faultOffset).line;
    const { line, column } = at2;
    const said = {
      line,
      column,
      types: types.map(detached),
      error: error && detached(error),
      errorLine
    };
    if (things.length > 0) said.things = things;
    if (siteNames2.length > 0) said.siteNames = siteNames2.map(detached);
    this.jsonLd.push(said);
  }
  place() {
    return this.positions.at(this.tokenStart);
  }
  tagPlace() {
    const { line, column } = this.place();
    return { line, column, endByte: this.positions.bytesBefore(this.tokenEnd) };
  }
  element(tag, parentContext) {
    if (this.isMuted) return 0;
    switch (tag) {
      case A:
      case AREA:
        this.addHref(tag);
        return 0;
      case IMG:
        this.addImage();
        return 0;
      case META:
        this.addMeta((parentContext & IN_HEAD) !== 0);
        return 0;
      case LINK:
        this.addLink((parentContext & IN_HEAD) !== 0);
        return 0;
      case SCRIPT:
        this.openScript();
        return 0;
      case P:
        return this.openParagraph(parentContext);
      case H1:
        return this.texts.h1 ? 0 : this.openText(tag, "h1", parentContext);
      case TITLE:
        return this.texts.title ? 0 : this.openText(tag, "title", parentContext);
      case MAIN:
      case ARTICLE:
        this.hasMain = true;
        return 0;
      case HTML:
        this.language ??= this.value("lang");
        return 0;
      case BASE:
        this.baseHref ??= this.value("href");
        return 0;
      default:
        return 0;
    }
  }
  openText(tag, kind, context) {
    return this.texts.open(tag, kind, context, this.textStart());
  }
  textStart() {
    const { line, column } = this.place();
    return { start: this.tokenStart, line, column };
  }
  openParagraph(context) {
    if ((context & IN_ASIDE) !== 0) return 0;
    const isMain = (context & IN_MAIN) !== 0;
    if (this.texts.isSettled(isMain) || this.attributes.get("hidden") !== null) return 0;
    return this.texts.open(P, isMain ? "mainParagraph" : "paragraph", context, this.textStart());
  }
  value(name2) {
    const value = this.attributes.get(name2);
    return value === null ? null : detached(value);
  }
  addHref(tag) {
    const href = this.value("href");
    if (href === null) return;
    this.hrefs.push(href);
    if (tag === A && this.shareLinks.length < SHARE_LINKS && looksLikeShareLink(href)) {
      const { line, column } = this.place();
      this.shareLinks.push({ href, line, column });
    }
  }
  addImage() {
    const src = imageSource(this.attributes);
    if (!src) return;
    const { line, column, endByte } = this.tagPlace();
    this.images.push({
      src: detached(src),
      alt: this.value("alt"),
      width: declaredSize(this.attributes.get("width")),
      height: declaredSize(this.attributes.get("height")),
      line,
      column,
      endByte
    });
    this.rows.noteImage(this.tokenStart);
  }
  addMeta(inHead) {
    const { attributes } = this;
    const charset = attributes.get("charset");
    const name2 = attributes.get("name");
    const property = attributes.get("property");
    const equivalent = attributes.get("http-equiv");
    if (charset === null && name2 === null && property === null && equivalent === null) return;
    const value = this.value("content");
    const { line, column } = this.place();
    const endByte = this.positions.bytesBefore(this.tokenEnd);
    const add = (key, attribute, itsValue) => {
      this.metas.push({ key: detached(key), attribute, value: itsValue, inHead, line, column, endByte });
    };
    if (name2 !== null) add(trimAscii(name2).toLowerCase(), "name", value);
    if (property !== null) for (const key of tokensOf(property)) add(key.toLowerCase(), "property", value);
    if (equivalent !== null) add(trimAscii(equivalent).toLowerCase(), "http-equiv", value);
    if (charset !== null) add("charset", "charset", detached(charset));
    if (equivalent?.toLowerCase() === "refresh") this.refresh ??= refreshAddress(value ?? "");
    if (!inHead) this.rows.noteBodyTag(this.tokenStart);
  }
  addLink(inHead) {
    const rel = tokensOf((this.attributes.get("rel") ?? "").toLowerCase()).join(" ");
    const href = this.value("href");
    if (rel === "" || href === null) return;
    const { line, column, endByte } = this.tagPlace();
    const link = { rel: detached(rel), href, line, column, endByte };
    for (const name2 of ["type", "sizes", "hreflang"]) {
      const value = this.value(name2);
      if (value !== null) link[name2] = value;
    }
    if (!inHead) link.inBody = true;
    this.links.push(link);
  }
  openScript() {
    const type = trimAscii(this.attributes.get("type") ?? "").toLowerCase();
    if (type.split(";")[0] === "application/ld+json") this.script = this.place();
    else if (this.attributes.get("src") !== null || type === "module") this.loadsScript = true;
  }
  /** First non-blank value of a meta that stands under any of its attributes. */
  firstValue(key) {
    return this.metas.find((meta) => meta.key === key && !isBlank(meta.value))?.value ?? null;
  }
  /** All facts, once the page is read. */
  result() {
    const { title, h1 } = this.texts;
    const paragraph = this.hasMain ? this.texts.mainParagraph : this.texts.paragraph;
    const placed = (text) => text && { line: text.line, column: text.column, endByte: text.endByte };
    const facts = {
      title: title && detached(collapseWhiteSpace(title.text)),
      description: this.firstValue("description"),
      language: this.language,
      canonical: this.links.find((link) => link.rel.split(" ").includes("canonical") && !isBlank(link.href))?.href ?? null,
      robots: this.firstValue("robots"),
      h1: h1 && detached(collapseWhiteSpace(h1.text)),
      firstParagraph: paragraph && detached(collapseWhiteSpace(paragraph.text)),
      base: this.baseHref,
      metas: this.metas,
      links: this.links,
      jsonLd: this.jsonLd,
      contentImages: this.images,
      at: { title: placed(title), h1: placed(h1), firstParagraph: placed(paragraph) },
      shareLinks: this.shareLinks,
      headClosedBy: this.headClosedBy,
      isShell: this.loadsScript && this.visible < SHELL_CHARACTERS
    };
    for (const text of [title, h1, paragraph]) if (text) this.rows.note(text.start, text.row);
    this.rows.finish(this.lastToken);
    return {
      facts,
      hrefs: this.hrefs,
      refreshTo: this.visible <= REFRESH_PAGE_CHARACTERS ? this.refresh : null,
      source: () => this.rows.result()
    };
  }
};

// src/core/page/scan/modes.ts
var INITIAL = 0;
var BEFORE_HTML = 1;
var BEFORE_HEAD = 2;
var IN_HEAD2 = 3;
var IN_HEAD_NOSCRIPT = 4;
var AFTER_HEAD = 5;
var IN_BODY = 6;
var IN_TABLE = 7;
var IN_CAPTION = 8;
var IN_COLUMN_GROUP = 9;
var IN_TABLE_BODY = 10;
var IN_ROW = 11;
var IN_CELL = 12;
var IN_SELECT = 13;
var IN_SELECT_IN_TABLE = 14;
var IN_TEMPLATE2 = 15;
var AFTER_BODY = 16;
var IN_FRAMESET = 17;
var AFTER_FRAMESET = 18;
var AFTER_AFTER_BODY = 19;
var AFTER_AFTER_FRAMESET = 20;
var NO_RAW_TEXT = 0;
var RCDATA = 1;
var RAWTEXT = 2;
var SCRIPT_DATA = 3;
var PLAINTEXT2 = 4;

// src/core/page/scan/positions.ts
var LF2 = 10;
var CR2 = 13;
var UNKNOWN = -1;
function nextLineEnd2(text, from) {
  const found = text.indexOf("\n", from);
  return found < 0 ? Number.POSITIVE_INFINITY : found;
}
var Positions = class {
  /** @param bomBytes bytes served before the first character */
  constructor(encoding, bomBytes) {
    this.encoding = encoding;
    this.bytes = bomBytes;
  }
  encoding;
  text = "";
  /** Offset of the text in hand within the page. */
  base = 0;
  line = 1;
  /** Offset at which the line starts, within the page. */
  lineStart = 0;
  /** Up to here lines are counted, within the page. */
  counted = 0;
  hasCarriageReturn = false;
  /** Next line end in the text in hand, so that a page without any is not searched again and again. */
  nextEnd = UNKNOWN;
  /** Up to here bytes are counted, within the page. */
  measured = 0;
  bytes;
  isAscii = true;
  /** Takes the next `piece`; `text` is what is in hand now, with it, and `base` its offset within the page. */
  extend(text, base, piece, isAscii) {
    this.text = text;
    this.base = base;
    if (!isAscii) this.isAscii = false;
    if (piece.includes("\r")) this.hasCarriageReturn = true;
    this.nextEnd = UNKNOWN;
  }
  /** Line and column, both from 1, of an offset within the page. */
  at(offset) {
    if (offset > this.counted) this.countLines(offset);
    return { line: this.line, column: Math.max(1, offset - this.lineStart + 1) };
  }
  countLines(offset) {
    const { text, base } = this;
    if (this.hasCarriageReturn) {
      for (let index = this.counted - base; index < offset - base; index++) {
        const unit = text.charCodeAt(index);
        if (unit === LF2 || unit === CR2 && text.charCodeAt(index + 1) !== LF2) {
          this.line++;
          this.lineStart = base + index + 1;
        }
      }
    } else {
      if (this.nextEnd === UNKNOWN) this.nextEnd = nextLineEnd2(text, this.counted - base);
      while (this.nextEnd < offset - base) {
        this.line++;
        this.lineStart = base + this.nextEnd + 1;
        this.nextEnd = nextLineEnd2(text, this.nextEnd + 1);
      }
    }
    this.counted = offset;
  }
  /** Bytes as served before an offset within the page, a byte order mark included. */
  bytesBefore(offset) {
    if (offset <= this.measured) return this.bytes;
    if (this.isAscii && !this.isWide()) this.bytes += offset - this.measured;
    else {
      const end = offset - this.base;
      for (let index = this.measured - this.base; index < end; index++) {
        this.bytes += bytesOfUnit(this.text.charCodeAt(index), this.encoding);
      }
    }
    this.measured = offset;
    return this.bytes;
  }
  isWide() {
    return this.encoding.startsWith("utf-16");
  }
};
function bytesOfUnit(unit, encoding) {
  if (encoding === "utf-8") return unit < 128 ? 1 : unit < 2048 ? 2 : unit >= 55296 && unit <= 57343 ? 2 : 3;
  if (encoding.startsWith("utf-16")) return 2;
  return unit < 128 || !/^(?:gb|big5|euc|shift|iso-2022)/.test(encoding) ? 1 : 2;
}

// src/core/page/scan/raw-text.ts
var CR3 = 13;
var LF3 = 10;
var BANG = 33;
var DASH = 45;
var SLASH2 = 47;
var LESS = 60;
var GREATER2 = 62;
function afterNewline(text, at2) {
  if (text.charCodeAt(at2) === CR3) return text.charCodeAt(at2 + 1) === LF3 ? at2 + 2 : at2 + 1;
  return text.charCodeAt(at2) === LF3 ? at2 + 1 : at2;
}
function endOfComment(text, from) {
  if (text.charCodeAt(from) === GREATER2) return from + 1;
  if (text.charCodeAt(from) === DASH && text.charCodeAt(from + 1) === GREATER2) return from + 2;
  let dashes = text.indexOf("--", from);
  while (dashes >= 0) {
    let after = dashes + 2;
    while (text.charCodeAt(after) === DASH) after++;
    if (text.charCodeAt(after) === GREATER2) return after + 1;
    if (text.charCodeAt(after) === BANG && text.charCodeAt(after + 1) === GREATER2) return after + 2;
    dashes = text.indexOf("--", after);
  }
  return -1;
}
function isNameAt(text, name2, at2) {
  for (let index = 0; index < name2.length; index++) {
    const unit = text.charCodeAt(at2 + index);
    if ((unit >= 65 && unit <= 90 ? unit | 32 : unit) !== name2.charCodeAt(index)) return false;
  }
  const after = text.charCodeAt(at2 + name2.length);
  return after === GREATER2 || after === SLASH2 || isSpace(after);
}
function endTagOf(text, name2, from) {
  let at2 = text.indexOf("</", from);
  while (at2 >= 0 && !isNameAt(text, name2, at2 + 2)) at2 = text.indexOf("</", at2 + 2);
  return at2;
}
function endOfEscapedScript(text, from) {
  let state = "plain";
  for (let index = from; index < text.length; index++) {
    const unit = text.charCodeAt(index);
    if (unit === DASH && state !== "plain") {
      if (text.charCodeAt(index + 1) !== DASH) continue;
      let after = index + 2;
      while (text.charCodeAt(after) === DASH) after++;
      if (text.charCodeAt(after) === GREATER2) state = "plain";
      index = after - 1;
      if (state === "plain") index = after;
      continue;
    }
    if (unit !== LESS) continue;
    const isEnd = text.charCodeAt(index + 1) === SLASH2;
    if (state === "plain") {
      if (isEnd && isNameAt(text, "script", index + 2)) return index;
      if (text.startsWith("<!--", index)) {
        state = "escaped";
        index += 1;
      }
    } else if (state === "escaped") {
      if (isEnd && isNameAt(text, "script", index + 2)) return index;
      if (isNameAt(text, "script", index + 1)) state = "double";
    } else if (isEnd && isNameAt(text, "script", index + 2)) state = "escaped";
  }
  return -1;
}
function endOfScript(text, from) {
  const end = endTagOf(text, "script", from);
  return end < 0 || !text.slice(from, end).includes("<!--") ? end : endOfEscapedScript(text, from);
}

// src/core/page/scan/skim.ts
var BANG2 = 33;
var DASH2 = 45;
var SLASH3 = 47;
var LESS2 = 60;
var GREATER3 = 62;
var QUESTION = 63;
var INCOMPLETE = -1;
var UNDECIDED = -2;
var isLetter = (unit) => (unit | 32) - 97 >>> 0 < 26;
var MAY_TELL = new Uint8Array(1 << 10);
for (const [tag, name2] of NAMES.entries()) {
  if ((PROPS[tag] & IS_TELLING) === 0) continue;
  const first = (name2.charCodeAt(0) & 31) << 5;
  if (name2.length === 1) for (const after of "	\n\f\r />") MAY_TELL[first | after.charCodeAt(0) & 31] = 1;
  else MAY_TELL[first | name2.charCodeAt(1) & 31] = 1;
}
function nextTelling(text, from, limit) {
  let less = text.indexOf("<", from);
  while (less >= 0 && less < limit) {
    let at2 = less + 2;
    let unit = text.charCodeAt(less + 1);
    if (unit === SLASH3) {
      if (!isLetter(text.charCodeAt(at2++))) return less;
    } else if (isLetter(unit)) {
      if (MAY_TELL[(unit & 31) << 5 | text.charCodeAt(at2) & 31] !== 0) return less;
    } else if (unit === BANG2 || unit === QUESTION) return less;
    else {
      less = text.indexOf("<", less + 1);
      continue;
    }
    for (; ; ) {
      unit = text.charCodeAt(at2);
      if (unit > GREATER3) at2++;
      else if (unit === GREATER3) {
        at2++;
        break;
      } else if (unit === SLASH3 || isSpace(unit)) {
        at2 = endOfTag(text, at2);
        if (at2 < 0) return ~less;
        break;
      } else if (at2++ >= text.length) return ~less;
    }
    less = text.charCodeAt(at2) === LESS2 ? at2 : text.indexOf("<", at2);
  }
  return less < 0 ? text.length : less;
}
function endOfCommentAt(text, less) {
  const isComment = text.charCodeAt(less + 2) === DASH2 && text.charCodeAt(less + 3) === DASH2;
  if (isComment && text.charCodeAt(less + 1) === BANG2) return endOfComment(text, less + 4);
  return text.indexOf(">", less + 2) + 1 || -1;
}
function endOfDrawing(text, from, names, isSelfClosing) {
  const open = [SVG];
  let less = text.indexOf("<", from);
  while (less >= 0) {
    const unit = text.charCodeAt(less + 1);
    let end = less + 1;
    if (unit === SLASH3 && isLetter(text.charCodeAt(less + 2))) {
      const tag = names.tagName(less + 2);
      if (tag === P || tag === BR) return UNDECIDED;
      const at2 = open.lastIndexOf(tag);
      if (at2 < 0) return UNDECIDED;
      end = endOfTag(text, names.nameEnd);
      if (end < 0) return INCOMPLETE;
      open.length = at2;
      if (at2 === 0) return end;
    } else if (isLetter(unit)) {
      const tag = names.tagName(less + 1);
      if (isUndecidedInDrawing(tag)) return UNDECIDED;
      end = endOfTag(text, names.nameEnd);
      if (end < 0) return INCOMPLETE;
      if (text.charCodeAt(end - 2) !== SLASH3 || !isSelfClosing(end)) open.push(tag);
    } else if (unit === BANG2 && text.charCodeAt(less + 2) !== DASH2) return UNDECIDED;
    else if (unit === BANG2 || unit === QUESTION || unit === SLASH3) {
      end = endOfCommentAt(text, less);
      if (end < 0) return INCOMPLETE;
    }
    less = text.indexOf("<", end);
  }
  return INCOMPLETE;
}
function isUndecidedInDrawing(tag) {
  if (tag === FOREIGNOBJECT || tag === DESC || tag === TITLE || tag === FONT) return true;
  return tag < PROPS.length && (PROPS[tag] & IS_BREAKOUT) !== 0;
}
function endOfChoices(text, from, names) {
  let less = text.indexOf("<", from);
  while (less >= 0) {
    const unit = text.charCodeAt(less + 1);
    const isEnd = unit === SLASH3 && isLetter(text.charCodeAt(less + 2));
    let end = less + 1;
    if (isEnd || isLetter(unit)) {
      const tag = names.tagName(less + (isEnd ? 2 : 1));
      if (tag !== OPTION && tag !== OPTGROUP && !(isEnd && tag === SELECT)) return UNDECIDED;
      end = endOfTag(text, names.nameEnd);
      if (end < 0) return INCOMPLETE;
      if (tag === SELECT) return end;
    } else if (unit === BANG2 || unit === QUESTION || unit === SLASH3) {
      end = endOfCommentAt(text, less);
      if (end < 0) return INCOMPLETE;
    }
    less = text.indexOf("<", end);
  }
  return INCOMPLETE;
}

// src/core/page/scan/tag-names.ts
var MIXER = 2654435761;
var PACKED_EXACTLY = 5;
var CODES = new Uint8Array(128);
for (const [index, character] of [..."abcdefghijklmnopqrstuvwxyz0123456789-"].entries()) {
  CODES[character.charCodeAt(0)] = index + 1;
  CODES[character.toUpperCase().charCodeAt(0)] = index + 1;
}
function codeOf(unit) {
  return unit < 128 ? CODES[unit] : 0;
}
function addToName(packed, code) {
  return (packed << 6 | packed >>> 26) ^ code;
}
function packedName(name2) {
  let packed = 0;
  for (let index = 0; index < name2.length; index++) packed = addToName(packed, codeOf(name2.charCodeAt(index)));
  return packed;
}
function makeTable() {
  for (let size = 8; size < 20; size++) {
    const slots2 = new Uint8Array(1 << size);
    const shift2 = 32 - size;
    const isFree = NAMES.slice(1).every((name2, index) => {
      const slot = Math.imul(packedName(name2), MIXER) >>> shift2;
      if (slots2[slot] !== 0) return false;
      slots2[slot] = index + 1;
      return true;
    });
    if (isFree) return { slots: slots2, shift: shift2 };
  }
  throw new Error("no table without collisions");
}
var { slots, shift } = makeTable();
var PACKED = Int32Array.from(NAMES, packedName);
function knownTag(text, start, end, packed) {
  const tag = slots[Math.imul(packed, MIXER) >>> shift];
  if (PACKED[tag] !== packed) return 0;
  return end - start <= PACKED_EXACTLY || isName(text, start, end, NAMES[tag]) ? tag : 0;
}
function isName(text, start, end, name2) {
  if (name2.length !== end - start) return false;
  for (let index = 0; index < name2.length; index++) {
    if (codeOf(text.charCodeAt(start + index)) !== codeOf(name2.charCodeAt(index))) return false;
  }
  return true;
}
var OtherNames = class {
  numbers = /* @__PURE__ */ new Map();
  numberOf(name2) {
    const known = this.numbers.get(name2);
    if (known !== void 0) return known;
    const number = NAMES.length + this.numbers.size;
    this.numbers.set(name2, number);
    return number;
  }
};

// src/core/page/scan/text-run.ts
var NUL = 0;
var AMPERSAND2 = 38;
var Run = class {
  text = "";
  start = 0;
  end = 0;
  isMarkup = true;
  /** What stands for a NUL: nothing in the body. */
  nul = "";
  decoded = null;
  /** @param isMarkup character references count (not so in a CDATA section) */
  set(text, start, end, isMarkup) {
    this.text = text;
    this.start = start;
    this.end = end;
    this.isMarkup = isMarkup;
    this.decoded = null;
    this.nul = "";
    return this;
  }
  inForeign() {
    this.nul = "\uFFFD";
    return this;
  }
  get value() {
    if (this.decoded === null) {
      const raw = this.text.slice(this.start, this.end);
      this.decoded = isPlain(raw) ? raw : this.decode(raw);
    }
    return this.decoded;
  }
  decode(text) {
    const raw = normalized(text.replaceAll("\0", this.nul));
    return this.isMarkup && raw.includes("&") ? decodeHTML(raw) : raw;
  }
  get isBlank() {
    return this.isOnly(false);
  }
  get isSilent() {
    return this.isOnly(true);
  }
  isOnly(isNulSilent) {
    for (let index = this.start; index < this.end; index++) {
      const unit = this.text.charCodeAt(index);
      if (isSpace(unit) || isNulSilent && unit === NUL) continue;
      if (unit !== AMPERSAND2 || !this.isMarkup) return false;
      return isBlankText(decodeHTML(this.text.slice(this.start, this.end)), isNulSilent);
    }
    return true;
  }
};
function isBlankText(text, isNulSilent) {
  for (let index = 0; index < text.length; index++) {
    const unit = text.charCodeAt(index);
    if (!isSpace(unit) && !(isNulSilent && unit === NUL)) return false;
  }
  return true;
}

// src/core/page/scan/formatting.ts
var MARKER = 0;
var MOST = 64;
var FormattingList = class {
  constructor(open) {
    this.open = open;
  }
  open;
  tags = [];
  uids = [];
  places = [];
  get isEmpty() {
    return this.tags.length === 0;
  }
  /** Adds the current node. */
  addCurrent(tag) {
    const first = this.tags.lastIndexOf(MARKER) + 1;
    if (this.tags.length - first >= MOST) this.removeAt(first);
    this.tags.push(tag);
    this.uids.push(this.open.uidAt(this.open.top));
    this.places.push(this.open.top);
  }
  /** Closes the element opened last, if it is of this kind and the current node: what nearly every end tag does. */
  closeCurrent(tag) {
    const last = this.tags.length - 1;
    if (last < 0 || this.tags[last] !== tag || this.places[last] !== this.open.top) return false;
    if (this.uids[last] !== this.open.uidAt(this.open.top)) return false;
    this.removeAt(last);
    this.open.pop();
    return true;
  }
  addMarker() {
    this.tags.push(MARKER);
    this.uids.push(0);
    this.places.push(-1);
  }
  clearToMarker() {
    while (this.tags.length > 0) {
      const tag = this.tags.pop();
      this.uids.pop();
      this.places.pop();
      if (tag === MARKER) return;
    }
  }
  /** Entry of the last element of this kind after the last marker; -1 when there is none. */
  lastOf(tag) {
    for (let entry = this.tags.length - 1; entry >= 0 && this.tags[entry] !== MARKER; entry--) {
      if (this.tags[entry] === tag) return entry;
    }
    return -1;
  }
  /** Where an entry's element stands on the stack; -1 when it is closed. */
  placeOf(entry) {
    const place = this.places[entry];
    return place <= this.open.top && this.open.uidAt(place) === this.uids[entry] ? place : -1;
  }
  /** True when the element at this place of the stack is in the list. */
  holds(place) {
    return this.uids.includes(this.open.uidAt(place));
  }
  removeAt(entry) {
    if (entry === this.tags.length - 1) {
      this.tags.pop();
      this.uids.pop();
      this.places.pop();
      return;
    }
    this.tags.splice(entry, 1);
    this.uids.splice(entry, 1);
    this.places.splice(entry, 1);
  }
  isOpen(entry) {
    return this.tags[entry] === MARKER || this.placeOf(entry) >= 0;
  }
  /** "Reconstruct the active formatting elements": `insert` opens an element and makes it the current node. */
  reconstruct(insert) {
    let entry = this.tags.length - 1;
    if (entry < 0 || this.isOpen(entry)) return;
    while (entry > 0 && !this.isOpen(entry - 1)) entry--;
    for (; entry < this.tags.length; entry++) {
      insert(this.tags[entry]);
      this.uids[entry] = this.open.uidAt(this.open.top);
      this.places[entry] = this.open.top;
    }
  }
};

// src/core/page/scan/construction.ts
var UNSEEN = IN_UNSEEN | IN_UNCOUNTED;
var INHERITED_BITS = (1 << TEXT_SHIFT) - 1;
var Construction = class {
  constructor(sink, token) {
    this.sink = sink;
    this.token = token;
    this.open = new OpenElements((number) => sink.textClosed(number));
    this.formatting = new FormattingList(this.open);
  }
  sink;
  token;
  open;
  formatting;
  mode = INITIAL;
  /** How the tokenizer must read on after the last start tag. */
  rawText = NO_RAW_TEXT;
  isQuirky = false;
  framesetOk = true;
  hasHead = false;
  /** "Foster parenting": what stands in a table by mistake is put before it. */
  fostering = false;
  /** The form element pointer, as the number of the entry; 0 when null. */
  formUid = 0;
  formPlace = -1;
  /** A head that was opened once more for an element after it, and closes when that element's text is read. */
  headToRemove = -1;
  /** A line end at this offset is no text; -1 for none. */
  newlineAt = -1;
  templateModes = [];
  reopen = (tag) => this.pushElement(tag, inherited(this.parentContext()));
  /** What a node inserted now would stand in: the current node, or what holds the table. */
  parentContext() {
    if (this.fostering && (this.open.props & IS_FOSTERS) !== 0) {
      const table = this.open.nearest(TABLE);
      const template = this.open.nearest(TEMPLATE);
      if (template > table) return this.open.contextAt(template);
      return table < 0 ? this.open.contextAt(0) : this.open.contextAt(table);
    }
    return this.open.context;
  }
  pushElement(tag, context) {
    this.open.push(tag, HTML_NS, context);
  }
  /** Inserts an HTML element for the current token and makes it the current node. */
  insert(tag) {
    const parent = this.parentContext();
    const props = tag < PROPS.length ? PROPS[tag] : 0;
    let context = inherited(parent);
    if ((props & IS_SPEAKS) !== 0 && (parent & IN_TEMPLATE) === 0) {
      const text = this.sink.element(tag, parent);
      if (text > 0) context = context & INHERITED_BITS & ~IN_UNSEEN | text << TEXT_SHIFT | OPENS_TEXT;
    }
    if ((props & IS_ASIDE) !== 0) context |= IN_ASIDE;
    else if ((props & IS_MAIN) !== 0) context |= IN_MAIN;
    else if ((props & IS_UNSEEN) !== 0) context |= tag === TEMPLATE ? UNSEEN | IN_TEMPLATE : UNSEEN;
    else if (tag === HEAD) context |= IN_HEAD;
    this.open.push(tag, HTML_NS, context);
  }
  /** Inserts an HTML element that holds nothing. */
  insertVoid(tag) {
    if (tag >= PROPS.length || (PROPS[tag] & IS_SPEAKS) === 0) return;
    const parent = this.parentContext();
    if ((parent & IN_TEMPLATE) === 0) this.sink.element(tag, parent);
  }
  /** Inserts an element that the source doesn't hold (`html`, `head`, `body`, `tbody` …). */
  insertImplied(tag) {
    const context = inherited(this.parentContext());
    this.open.push(tag, HTML_NS, tag === HEAD ? context | IN_HEAD : context);
  }
  /** Inserts an element of SVG or MathML. */
  insertForeign(tag, namespace, isHtmlPoint) {
    if (this.token.selfClosing) return;
    const isUnseen = tag === SCRIPT || tag === STYLE || tag === TEMPLATE || tag === NOSCRIPT;
    const context = inherited(this.parentContext()) | (isUnseen ? UNSEEN : 0) | (isHtmlPoint ? HTML_POINT : 0);
    this.open.push(tag, namespace, context);
  }
  /** Inserts an element whose content is read as text up to its end tag. */
  insertRaw(tag, kind) {
    this.insert(tag);
    this.rawText = kind;
  }
  reconstruct() {
    if (!this.formatting.isEmpty) this.formatting.reconstruct(this.reopen);
  }
  closeParagraph() {
    const at2 = this.open.nearest(P);
    if (at2 < 0 || !this.open.inButtonScope(P)) return;
    this.open.generateImpliedEnds(P);
    this.open.popThrough(at2);
  }
  hasForm() {
    return this.formUid !== 0;
  }
  openTemplate() {
    this.insert(TEMPLATE);
    this.formatting.addMarker();
    this.framesetOk = false;
    this.mode = IN_TEMPLATE2;
    this.templateModes.push(IN_TEMPLATE2);
  }
  closeTemplate() {
    const at2 = this.open.nearest(TEMPLATE);
    if (at2 < 0) return;
    this.open.generateImpliedEndsThoroughly();
    this.open.popThrough(at2);
    this.formatting.clearToMarker();
    this.templateModes.pop();
    this.resetMode();
  }
  setTemplateMode(mode) {
    this.templateModes[this.templateModes.length - 1] = mode;
    this.mode = mode;
  }
  /** "Reset the insertion mode appropriately": by the topmost element that names a mode. */
  resetMode() {
    const { open } = this;
    let at2 = -1;
    let mode = IN_BODY;
    const consider = (tag, itsMode) => {
      const place = open.nearest(tag);
      if (place > at2) {
        at2 = place;
        mode = itsMode;
      }
    };
    consider(HTML, this.hasHead ? AFTER_HEAD : BEFORE_HEAD);
    consider(HEAD, IN_HEAD2);
    consider(BODY, IN_BODY);
    consider(FRAMESET, IN_FRAMESET);
    consider(TABLE, IN_TABLE);
    for (const tag of [TBODY, THEAD, TFOOT]) consider(tag, IN_TABLE_BODY);
    consider(CAPTION, IN_CAPTION);
    consider(COLGROUP, IN_COLUMN_GROUP);
    consider(TR, IN_ROW);
    for (const tag of [TD, TH]) consider(tag, IN_CELL);
    consider(TEMPLATE, this.templateModes.at(-1) ?? IN_BODY);
    const select = open.nearest(SELECT);
    if (select > at2) {
      const table = open.nearest(TABLE);
      mode = table > 0 && table > open.nearest(TEMPLATE) ? IN_SELECT_IN_TABLE : IN_SELECT;
    }
    this.mode = mode;
  }
};

// src/core/page/scan/in-head.ts
function startBeforeHtml(tree, tag) {
  tree.mode = BEFORE_HEAD;
  if (tag === HTML) tree.insert(HTML);
  else {
    tree.insertImplied(HTML);
    startBeforeHead(tree, tag);
  }
}
function startBeforeHead(tree, tag) {
  if (tag === HTML) {
    htmlAgain(tree);
    return;
  }
  tree.mode = IN_HEAD2;
  tree.hasHead = true;
  if (tag === HEAD) tree.insert(HEAD);
  else {
    tree.insertImplied(HEAD);
    startInHead(tree, tag);
  }
}
function htmlAgain(tree) {
  if (!tree.open.has(TEMPLATE)) tree.sink.element(HTML, 0);
}
function startHeadContent(tree, tag) {
  switch (tag) {
    case BASE:
    case BASEFONT:
    case BGSOUND:
    case LINK:
    case META:
      tree.insertVoid(tag);
      return true;
    case TITLE:
      tree.insertRaw(tag, RCDATA);
      return true;
    case NOFRAMES:
    case STYLE:
      tree.insertRaw(tag, RAWTEXT);
      return true;
    case SCRIPT:
      tree.insertRaw(tag, SCRIPT_DATA);
      return true;
    case TEMPLATE:
      tree.openTemplate();
      return true;
    default:
      return false;
  }
}
function startInHead(tree, tag) {
  if (startHeadContent(tree, tag) || tag === HEAD) return;
  if (tag === HTML) htmlAgain(tree);
  else if (tag === NOSCRIPT) {
    tree.insert(tag);
    tree.mode = IN_HEAD_NOSCRIPT;
  } else {
    leaveHead(tree, tag);
    tree.startInMode(tag);
  }
}
function leaveHead(tree, tag) {
  tree.sink.headLeft(tag);
  tree.open.pop();
  tree.mode = AFTER_HEAD;
}
function leaveNoscript(tree) {
  tree.open.pop();
  tree.mode = IN_HEAD2;
}
function startInHeadNoscript(tree, tag) {
  switch (tag) {
    case HTML:
      htmlAgain(tree);
      return;
    case BASEFONT:
    case BGSOUND:
    case LINK:
    case META:
    case NOFRAMES:
    case STYLE:
      startHeadContent(tree, tag);
      return;
    case HEAD:
    case NOSCRIPT:
      return;
    default:
      leaveNoscript(tree);
      startInHead(tree, tag);
  }
}
function openBody(tree) {
  tree.mode = IN_BODY;
  tree.sink.bodyOpened();
}
function startAfterHead(tree, tag) {
  switch (tag) {
    case HTML:
      htmlAgain(tree);
      return;
    case HEAD:
      return;
    case BODY:
      tree.insert(BODY);
      tree.framesetOk = false;
      openBody(tree);
      return;
    case FRAMESET:
      tree.insert(FRAMESET);
      tree.mode = IN_FRAMESET;
      return;
  }
  if (isHeadContent(tag)) {
    tree.insertImplied(HEAD);
    const head2 = tree.open.top;
    startHeadContent(tree, tag);
    if (tree.rawText === NO_RAW_TEXT) tree.open.removeAt(head2);
    else tree.headToRemove = head2;
    return;
  }
  tree.insertImplied(BODY);
  openBody(tree);
  tree.startInMode(tag);
}
function isHeadContent(tag) {
  return tag < IN_BODY_START.length && IN_BODY_START[tag] === START_HEAD_CONTENT;
}
function endOpensMissing(tag) {
  return tag === BODY || tag === HTML || tag === BR;
}

// src/core/page/scan/in-body.ts
var actionOf = (table, tag) => tag < table.length ? table[tag] : 0;
function startInBody(tree, tag) {
  const { open } = tree;
  switch (actionOf(IN_BODY_START, tag)) {
    case 0:
      tree.reconstruct();
      tree.insert(tag);
      return;
    case START_BLOCK:
      tree.closeParagraph();
      tree.insert(tag);
      return;
    case START_A:
      closeOpenLink(tree);
      openFormatting(tree, tag);
      return;
    case START_FORMATTING:
      openFormatting(tree, tag);
      return;
    case START_LI:
      tree.framesetOk = false;
      closeListItem(tree, LI, LI);
      tree.closeParagraph();
      tree.insert(tag);
      return;
    case START_DD_DT:
      tree.framesetOk = false;
      closeListItem(tree, DD, DT);
      tree.closeParagraph();
      tree.insert(tag);
      return;
    case START_HEADING:
      tree.closeParagraph();
      if ((open.props & IS_HEADING) !== 0) open.pop();
      tree.insert(tag);
      return;
    case START_VOID:
      tree.reconstruct();
      tree.insertVoid(tag === IMAGE ? IMG : tag);
      tree.framesetOk = false;
      return;
    case START_HEAD_CONTENT:
      startHeadContent(tree, tag);
      return;
    case START_FOREIGN:
      tree.reconstruct();
      tree.insertForeign(tag, tag === SVG ? SVG_NS : MATH_NS, false);
      return;
    case START_TABLE:
      if (!tree.isQuirky) tree.closeParagraph();
      tree.insert(tag);
      tree.framesetOk = false;
      tree.mode = IN_TABLE;
      return;
    case START_IGNORED:
      return;
    default:
      startRarely(tree, tag);
  }
}
function startRarely(tree, tag) {
  const { open } = tree;
  switch (actionOf(IN_BODY_START, tag)) {
    case START_HTML:
      htmlAgain(tree);
      return;
    case START_BODY:
      if (open.has(BODY) && !open.has(TEMPLATE)) tree.framesetOk = false;
      return;
    case START_FRAMESET:
      startFrameset(tree);
      return;
    case START_PRE:
      tree.closeParagraph();
      tree.insert(tag);
      tree.newlineAt = tree.token.tagEnd;
      tree.framesetOk = false;
      return;
    case START_FORM:
      startForm(tree);
      return;
    case START_PLAINTEXT:
      tree.closeParagraph();
      tree.insertRaw(tag, PLAINTEXT2);
      return;
    case START_BUTTON:
      if (open.inScope(BUTTON)) {
        open.generateImpliedEnds();
        open.popThrough(open.nearest(BUTTON));
      }
      tree.reconstruct();
      tree.insert(tag);
      tree.framesetOk = false;
      return;
    case START_NOBR:
      tree.reconstruct();
      if (open.inScope(NOBR)) {
        endFormatting(tree, NOBR);
        tree.reconstruct();
      }
      tree.insert(tag);
      tree.formatting.addCurrent(tag);
      return;
    case START_MARKER:
      tree.reconstruct();
      tree.insert(tag);
      tree.formatting.addMarker();
      tree.framesetOk = false;
      return;
    case START_INPUT:
      tree.reconstruct();
      tree.insertVoid(tag);
      if (!isHiddenInput(tree)) tree.framesetOk = false;
      return;
    case START_VOID_PLAIN:
      tree.insertVoid(tag);
      return;
    case START_HR:
      tree.closeParagraph();
      tree.insertVoid(tag);
      tree.framesetOk = false;
      return;
    case START_TEXTAREA:
      tree.insertRaw(tag, RCDATA);
      tree.framesetOk = false;
      return;
    case START_XMP:
      tree.closeParagraph();
      tree.reconstruct();
      tree.framesetOk = false;
      tree.insertRaw(tag, RAWTEXT);
      return;
    case START_IFRAME:
      tree.framesetOk = false;
      tree.insertRaw(tag, RAWTEXT);
      return;
    case START_NOEMBED:
      tree.insertRaw(tag, RAWTEXT);
      return;
    case START_SELECT:
      startSelect(tree);
      return;
    case START_OPTION:
      if (open.isTop(OPTION)) open.pop();
      tree.reconstruct();
      tree.insert(tag);
      return;
    case START_RUBY_BASE:
      if (open.inScope(RUBY)) open.generateImpliedEnds();
      tree.insert(tag);
      return;
    case START_RUBY_TEXT:
      if (open.inScope(RUBY)) open.generateImpliedEnds(RTC);
      tree.insert(tag);
  }
}
function isHiddenInput(tree) {
  return tree.token.attributes.get("type")?.toLowerCase() === "hidden";
}
function openFormatting(tree, tag) {
  tree.reconstruct();
  tree.insert(tag);
  tree.formatting.addCurrent(tag);
}
function closeOpenLink(tree) {
  const entry = tree.formatting.lastOf(A);
  if (entry < 0) return;
  endFormatting(tree, A);
  const left = tree.formatting.lastOf(A);
  if (left < 0) return;
  const place = tree.formatting.placeOf(left);
  tree.formatting.removeAt(left);
  if (place >= 0) tree.open.removeAt(place);
}
function closeListItem(tree, one, other) {
  const { open } = tree;
  const at2 = Math.max(open.nearest(one), open.nearest(other));
  if (at2 < 0 || at2 < open.listStop) return;
  open.generateImpliedEnds(open.tagAt(at2));
  open.popThrough(at2);
}
function startFrameset(tree) {
  const body = tree.open.nearest(BODY);
  if (!tree.framesetOk || body < 0) return;
  tree.open.popThrough(1);
  tree.sink.bodyDropped();
  tree.insert(FRAMESET);
  tree.mode = IN_FRAMESET;
}
function startForm(tree) {
  const isInTemplate = tree.open.has(TEMPLATE);
  if (tree.hasForm() && !isInTemplate) return;
  tree.closeParagraph();
  tree.insert(FORM);
  if (!isInTemplate) {
    tree.formPlace = tree.open.top;
    tree.formUid = tree.open.uidAt(tree.open.top);
  }
}
function startSelect(tree) {
  tree.reconstruct();
  tree.insert(SELECT);
  tree.framesetOk = false;
  const isInTable = tree.mode >= IN_TABLE && tree.mode <= IN_CELL && tree.mode !== IN_COLUMN_GROUP;
  tree.mode = isInTable ? IN_SELECT_IN_TABLE : IN_SELECT;
}
function isClosedAlone(action) {
  switch (action) {
    case 0:
    case END_BLOCK:
    case END_P:
    case END_LI:
    case END_DD_DT:
    case END_HEADING:
      return true;
    default:
      return false;
  }
}
function endInBody(tree, tag) {
  const { open } = tree;
  const action = actionOf(IN_BODY_END, tag);
  if (open.isTop(tag) && isClosedAlone(action)) {
    open.pop();
    return;
  }
  switch (action) {
    case END_BLOCK:
      if (!open.inScope(tag)) return;
      open.generateImpliedEnds();
      open.popThrough(open.nearest(tag));
      return;
    case END_FORMATTING:
      endFormatting(tree, tag);
      return;
    case END_P:
      if (open.inButtonScope(P)) tree.closeParagraph();
      return;
    case END_LI:
      if (!open.inListScope(LI)) return;
      open.generateImpliedEnds(LI);
      open.popThrough(open.nearest(LI));
      return;
    case END_DD_DT:
      if (!open.inScope(tag)) return;
      open.generateImpliedEnds(tag);
      open.popThrough(open.nearest(tag));
      return;
    case END_HEADING:
      if (!open.headingInScope()) return;
      open.generateImpliedEnds();
      open.popThrough(open.nearestHeading());
      return;
    case END_BODY:
      if (open.inScope(BODY)) tree.mode = AFTER_BODY;
      return;
    case END_HTML:
      if (!open.inScope(BODY)) return;
      tree.mode = AFTER_BODY;
      tree.endInMode(tag);
      return;
    case END_TEMPLATE:
      tree.closeTemplate();
      return;
    case END_FORM:
      endForm(tree);
      return;
    case END_MARKER:
      if (!open.inScope(tag)) return;
      open.generateImpliedEnds();
      open.popThrough(open.nearest(tag));
      tree.formatting.clearToMarker();
      return;
    case END_BR:
      tree.reconstruct();
      tree.framesetOk = false;
      return;
    default:
      endOther(tree, tag);
  }
}
function endForm(tree) {
  const { open } = tree;
  if (open.has(TEMPLATE)) {
    if (!open.inScope(FORM)) return;
    open.generateImpliedEnds();
    open.popThrough(open.nearest(FORM));
    return;
  }
  const isOpen = tree.hasForm() && tree.formPlace <= open.top && open.uidAt(tree.formPlace) === tree.formUid;
  const place = tree.formPlace;
  tree.formUid = 0;
  if (!isOpen || !open.isInScope(place)) return;
  open.generateImpliedEnds();
  if (place <= open.top) open.removeAt(place);
}
function endOther(tree, tag) {
  const { open } = tree;
  const at2 = open.nearest(tag);
  if (at2 < 0 || at2 < open.nearestSpecial) return;
  open.generateImpliedEnds(tag);
  open.popThrough(at2);
}
function endFormatting(tree, tag) {
  const { open, formatting } = tree;
  if (formatting.closeCurrent(tag)) return;
  if (open.isTop(tag) && !formatting.holds(open.top)) {
    open.pop();
    return;
  }
  const entry = formatting.lastOf(tag);
  if (entry < 0) {
    endOther(tree, tag);
    return;
  }
  const place = formatting.placeOf(entry);
  if (place < 0) {
    formatting.removeAt(entry);
    return;
  }
  if (!open.isInScope(place)) return;
  formatting.removeAt(entry);
  const furthest = open.nearestSpecial;
  if (furthest < place) {
    open.popThrough(place);
    return;
  }
  open.popThrough(furthest + 1);
  for (let at2 = furthest - 1; at2 >= place; at2--) {
    const isOrdinary = (open.propsOf(at2) & IS_SPECIAL) === 0;
    if (at2 === place || isOrdinary && !open.isGone(at2) && !formatting.holds(at2)) open.removeAt(at2);
  }
}

// src/core/page/scan/in-foreign.ts
function isForeignStart({ open }, tag, isText) {
  const namespace = open.namespace;
  if (namespace === HTML_NS || open.top < 0) return false;
  if ((open.context & HTML_POINT) !== 0) return false;
  if (namespace !== MATH_NS) return true;
  if (isMathTextPoint(open.tag)) return !isText && (tag === MGLYPH || tag === MALIGNMARK);
  return !(open.tag === ANNOTATION_XML && tag === SVG && !isText);
}
function isIntegrationPoint({ open }) {
  return (open.context & HTML_POINT) !== 0 || open.namespace === MATH_NS && isMathTextPoint(open.tag);
}
function leaveForeign(tree) {
  while (tree.open.namespace !== HTML_NS && !isIntegrationPoint(tree)) tree.open.pop();
}
function isBreakout(tree, tag) {
  if (tag === FONT) {
    const { attributes } = tree.token;
    return attributes.get("color") !== null || attributes.get("face") !== null || attributes.get("size") !== null;
  }
  return tag < PROPS.length && (PROPS[tag] & IS_BREAKOUT) !== 0;
}
function startInForeign(tree, tag) {
  if (isBreakout(tree, tag)) {
    leaveForeign(tree);
    tree.startInMode(tag);
    return;
  }
  const namespace = tree.open.namespace;
  const encoding = tag === ANNOTATION_XML ? tree.token.attributes.get("encoding")?.toLowerCase() : void 0;
  const isHtmlPoint = namespace === SVG_NS ? tag === FOREIGNOBJECT || tag === DESC || tag === TITLE : encoding === "text/html" || encoding === "application/xhtml+xml";
  tree.insertForeign(tag, namespace, isHtmlPoint);
}
function endInForeign(tree, tag) {
  if (tag === P || tag === BR) {
    leaveForeign(tree);
    tree.endInMode(tag);
    return;
  }
  const at2 = tree.open.nearestForeign(tag);
  if (at2 >= 0) tree.open.popThrough(at2);
  else tree.endInMode(tag);
}

// src/core/page/scan/in-select.ts
function closeSelect(tree) {
  tree.open.popThrough(tree.open.nearest(SELECT));
  tree.resetMode();
}
function isSelectInScope({ open }) {
  const select = open.nearest(SELECT);
  if (select < 0) return false;
  for (let at2 = open.top; at2 > select; at2--) {
    const tag = open.tagAt(at2);
    if (tag !== OPTION && tag !== OPTGROUP) return false;
  }
  return true;
}
function startInSelect(tree, tag) {
  const { open } = tree;
  switch (tag) {
    case HTML:
      htmlAgain(tree);
      return;
    case OPTION:
      if (open.isTop(OPTION)) open.pop();
      tree.insert(tag);
      return;
    case OPTGROUP:
    case HR:
      if (open.isTop(OPTION)) open.pop();
      if (open.isTop(OPTGROUP)) open.pop();
      if (tag === OPTGROUP) tree.insert(tag);
      return;
    case SELECT:
    case INPUT:
    case KEYGEN:
    case TEXTAREA:
      if (!isSelectInScope(tree)) return;
      closeSelect(tree);
      if (tag !== SELECT) tree.startInMode(tag);
      return;
    case SCRIPT:
    case TEMPLATE:
      startHeadContent(tree, tag);
  }
}
function endInSelect(tree, tag) {
  const { open } = tree;
  switch (tag) {
    case OPTGROUP:
      if (open.isTop(OPTION) && open.top > 0 && open.tagAt(open.top - 1) === OPTGROUP) open.pop();
      if (open.isTop(OPTGROUP)) open.pop();
      return;
    case OPTION:
      if (open.isTop(OPTION)) open.pop();
      return;
    case SELECT:
      if (isSelectInScope(tree)) closeSelect(tree);
      return;
    case TEMPLATE:
      tree.closeTemplate();
  }
}
function isTableTag(tag) {
  switch (tag) {
    case CAPTION:
    case TABLE:
    case TBODY:
    case TFOOT:
    case THEAD:
    case TR:
    case TD:
    case TH:
      return true;
    default:
      return false;
  }
}
function startInSelectInTable(tree, tag) {
  if (!isTableTag(tag)) {
    startInSelect(tree, tag);
    return;
  }
  closeSelect(tree);
  tree.startInMode(tag);
}
function endInSelectInTable(tree, tag) {
  if (!isTableTag(tag)) endInSelect(tree, tag);
  else if (tree.open.inTableScope(tag)) {
    closeSelect(tree);
    tree.endInMode(tag);
  }
}

// src/core/page/scan/in-table.ts
function isTablePart(tag) {
  switch (tag) {
    case CAPTION:
    case COL:
    case COLGROUP:
    case TBODY:
    case TD:
    case TFOOT:
    case TH:
    case THEAD:
    case TR:
      return true;
    default:
      return false;
  }
}
function clearBackTo(tree, one, two = one, three = one) {
  const { open } = tree;
  const at2 = Math.max(0, open.nearest(one), open.nearest(two), open.nearest(three), open.nearest(TEMPLATE));
  open.popThrough(at2 + 1);
}
var clearToTable = (tree) => clearBackTo(tree, TABLE);
var clearToBody = (tree) => clearBackTo(tree, TBODY, TFOOT, THEAD);
var clearToRow = (tree) => clearBackTo(tree, TR);
var hasTableBody = ({ open }) => open.inTableScope(TBODY) || open.inTableScope(THEAD) || open.inTableScope(TFOOT);
function fostered(tree, process2) {
  const before = tree.fostering;
  tree.fostering = true;
  process2();
  tree.fostering = before;
}
function startInTable(tree, tag) {
  const { open } = tree;
  switch (tag) {
    case TD:
    case TH:
    case TR:
      clearToTable(tree);
      tree.insertImplied(TBODY);
      tree.mode = IN_TABLE_BODY;
      startInTableBody(tree, tag);
      return;
    case STYLE:
    case SCRIPT:
    case TEMPLATE:
      startHeadContent(tree, tag);
      return;
    case COL:
      clearToTable(tree);
      tree.insertImplied(COLGROUP);
      tree.mode = IN_COLUMN_GROUP;
      return;
    case FORM:
      if (tree.hasForm() || open.has(TEMPLATE)) return;
      tree.insert(FORM);
      tree.formPlace = open.top;
      tree.formUid = open.uidAt(open.top);
      open.pop();
      return;
    case TABLE:
      if (!open.inTableScope(TABLE)) return;
      open.popThrough(open.nearest(TABLE));
      tree.resetMode();
      tree.startInMode(tag);
      return;
    case TBODY:
    case TFOOT:
    case THEAD:
      clearToTable(tree);
      tree.insert(tag);
      tree.mode = IN_TABLE_BODY;
      return;
    case CAPTION:
      clearToTable(tree);
      tree.formatting.addMarker();
      tree.insert(tag);
      tree.mode = IN_CAPTION;
      return;
    case COLGROUP:
      clearToTable(tree);
      tree.insert(tag);
      tree.mode = IN_COLUMN_GROUP;
      return;
    case INPUT:
      if (isHiddenInput(tree)) {
        tree.insertVoid(tag);
        return;
      }
  }
  fostered(tree, () => startInBody(tree, tag));
}
function endInTable(tree, tag) {
  if (tag === TABLE) {
    if (!tree.open.inTableScope(TABLE)) return;
    tree.open.popThrough(tree.open.nearest(TABLE));
    tree.resetMode();
  } else if (tag === TEMPLATE) tree.closeTemplate();
  else if (!isTablePart(tag) && tag !== BODY && tag !== HTML) fostered(tree, () => endInBody(tree, tag));
}
function closeCaption(tree) {
  if (!tree.open.inTableScope(CAPTION)) return false;
  tree.open.generateImpliedEnds();
  tree.open.popThrough(tree.open.nearest(CAPTION));
  tree.formatting.clearToMarker();
  tree.mode = IN_TABLE;
  return true;
}
function startInCaption(tree, tag) {
  if (!isTablePart(tag)) startInBody(tree, tag);
  else if (closeCaption(tree)) startInTable(tree, tag);
}
function endInCaption(tree, tag) {
  if (tag === CAPTION || tag === TABLE) {
    if (closeCaption(tree) && tag === TABLE) endInTable(tree, tag);
  } else if (!isTablePart(tag) && tag !== BODY && tag !== HTML) endInBody(tree, tag);
}
function leaveColumnGroup(tree) {
  if (!tree.open.isTop(COLGROUP)) return false;
  tree.open.pop();
  tree.mode = IN_TABLE;
  return true;
}
function startInColumnGroup(tree, tag) {
  if (tag === HTML) startInBody(tree, tag);
  else if (tag === TEMPLATE) startHeadContent(tree, tag);
  else if (tag !== COL && leaveColumnGroup(tree)) tree.startInMode(tag);
}
function endInColumnGroup(tree, tag) {
  if (tag === COLGROUP) leaveColumnGroup(tree);
  else if (tag === TEMPLATE) tree.closeTemplate();
  else if (tag !== COL && leaveColumnGroup(tree)) tree.endInMode(tag);
}
function leaveTableBody(tree) {
  clearToBody(tree);
  tree.open.pop();
  tree.mode = IN_TABLE;
}
function startInTableBody(tree, tag) {
  if (tag === TR) {
    clearToBody(tree);
    tree.insert(tag);
    tree.mode = IN_ROW;
  } else if (tag === TH || tag === TD) {
    clearToBody(tree);
    tree.insertImplied(TR);
    tree.mode = IN_ROW;
    startInRow(tree, tag);
  } else if (isTablePart(tag)) {
    if (!hasTableBody(tree)) return;
    leaveTableBody(tree);
    startInTable(tree, tag);
  } else startInTable(tree, tag);
}
function endInTableBody(tree, tag) {
  if (tag === TBODY || tag === TFOOT || tag === THEAD) {
    if (tree.open.inTableScope(tag)) leaveTableBody(tree);
  } else if (tag === TABLE) {
    if (!hasTableBody(tree)) return;
    leaveTableBody(tree);
    endInTable(tree, tag);
  } else endInTable(tree, tag);
}
function leaveRow(tree) {
  clearToRow(tree);
  tree.open.pop();
  tree.mode = IN_TABLE_BODY;
}
function startInRow(tree, tag) {
  if (tag === TH || tag === TD) {
    clearToRow(tree);
    tree.insert(tag);
    tree.mode = IN_CELL;
    tree.formatting.addMarker();
  } else if (isTablePart(tag)) {
    if (!tree.open.inTableScope(TR)) return;
    leaveRow(tree);
    startInTableBody(tree, tag);
  } else startInTable(tree, tag);
}
function endInRow(tree, tag) {
  const { open } = tree;
  if (tag === TR) {
    if (open.inTableScope(TR)) leaveRow(tree);
  } else if (tag === TABLE || tag === TBODY || tag === TFOOT || tag === THEAD) {
    const isThere = open.inTableScope(TR) || tag !== TABLE && open.inTableScope(tag);
    if (!isThere) return;
    leaveRow(tree);
    endInTableBody(tree, tag);
  } else endInTable(tree, tag);
}
function closeCell(tree, at2) {
  tree.open.generateImpliedEnds();
  tree.open.popThrough(at2);
  tree.formatting.clearToMarker();
  tree.mode = IN_ROW;
}
var nearestCell = ({ open }) => Math.max(open.nearest(TD), open.nearest(TH));
function startInCell(tree, tag) {
  if (!isTablePart(tag)) {
    startInBody(tree, tag);
    return;
  }
  if (!tree.open.inTableScope(TD) && !tree.open.inTableScope(TH)) return;
  closeCell(tree, nearestCell(tree));
  startInRow(tree, tag);
}
function endInCell(tree, tag) {
  const { open } = tree;
  switch (tag) {
    case TD:
    case TH:
      if (open.inTableScope(tag)) closeCell(tree, open.nearest(tag));
      return;
    case TABLE:
    case TBODY:
    case TFOOT:
    case THEAD:
    case TR:
      if (!open.inTableScope(tag)) return;
      closeCell(tree, nearestCell(tree));
      endInRow(tree, tag);
      return;
    case BODY:
    case CAPTION:
    case COL:
    case COLGROUP:
    case HTML:
      return;
    default:
      endInBody(tree, tag);
  }
}

// src/core/page/scan/tree.ts
var Tree = class extends Construction {
  constructor(textSink, token) {
    super(textSink, token);
    this.textSink = textSink;
  }
  textSink;
  /** Text here goes where it stands, and is HTML. */
  get isBodyLike() {
    const { mode } = this;
    return (mode === IN_BODY || mode === IN_CELL) && this.open.namespace === HTML_NS;
  }
  /** Of what follows here, each tag gives its fact wherever in the body it may belong. */
  get canBeSkimmed() {
    const isBody = this.mode === IN_BODY || this.mode === IN_CELL;
    return isBody && this.rawText === NO_RAW_TEXT && !this.framesetOk && this.isOutside;
  }
  get isOutside() {
    const { open } = this;
    return open.namespace === HTML_NS && !open.has(TEMPLATE) && !open.has(SELECT);
  }
  /** What stands here is what the page is about. */
  get isInMain() {
    return this.open.has(MAIN) || this.open.has(ARTICLE);
  }
  startTag(tag) {
    if (this.open.namespace !== HTML_NS && isForeignStart(this, tag, false)) startInForeign(this, tag);
    else this.startInMode(tag);
  }
  endTag(tag) {
    if (this.open.namespace !== HTML_NS) endInForeign(this, tag);
    else this.endInMode(tag);
  }
  /** A DOCTYPE counts only before everything else. */
  doctype(isQuirky) {
    if (this.mode !== INITIAL) return;
    this.isQuirky = isQuirky;
    this.mode = BEFORE_HTML;
  }
  /** The end tag of an element whose content was read as text, or the end of the page. */
  endRawText() {
    this.rawText = NO_RAW_TEXT;
    this.open.pop();
    if (this.headToRemove < 0) return;
    this.open.removeAt(this.headToRemove);
    this.headToRemove = -1;
  }
  startInMode(tag) {
    switch (this.mode) {
      case IN_BODY:
        startInBody(this, tag);
        return;
      case INITIAL:
        this.isQuirky = true;
        startBeforeHtml(this, tag);
        return;
      case BEFORE_HTML:
        startBeforeHtml(this, tag);
        return;
      case BEFORE_HEAD:
        startBeforeHead(this, tag);
        return;
      case IN_HEAD2:
        startInHead(this, tag);
        return;
      case IN_HEAD_NOSCRIPT:
        startInHeadNoscript(this, tag);
        return;
      case AFTER_HEAD:
        startAfterHead(this, tag);
        return;
      case IN_TABLE:
        startInTable(this, tag);
        return;
      case IN_CAPTION:
        startInCaption(this, tag);
        return;
      case IN_COLUMN_GROUP:
        startInColumnGroup(this, tag);
        return;
      case IN_TABLE_BODY:
        startInTableBody(this, tag);
        return;
      case IN_ROW:
        startInRow(this, tag);
        return;
      case IN_CELL:
        startInCell(this, tag);
        return;
      case IN_SELECT:
        startInSelect(this, tag);
        return;
      case IN_SELECT_IN_TABLE:
        startInSelectInTable(this, tag);
        return;
      case IN_TEMPLATE2:
        this.startInTemplate(tag);
        return;
      case AFTER_BODY:
      case AFTER_AFTER_BODY:
        if (tag === HTML) htmlAgain(this);
        else {
          this.mode = IN_BODY;
          startInBody(this, tag);
        }
        return;
      default:
        this.startAtFrameset(tag);
    }
  }
  startInTemplate(tag) {
    if (startHeadContent(this, tag)) return;
    switch (tag) {
      case CAPTION:
      case COLGROUP:
      case TBODY:
      case TFOOT:
      case THEAD:
        this.setTemplateMode(IN_TABLE);
        break;
      case COL:
        this.setTemplateMode(IN_COLUMN_GROUP);
        break;
      case TR:
        this.setTemplateMode(IN_TABLE_BODY);
        break;
      case TD:
      case TH:
        this.setTemplateMode(IN_ROW);
        break;
      default:
        this.setTemplateMode(IN_BODY);
    }
    this.startInMode(tag);
  }
  /** 13.2.6.4.19, 20 and 22: pages of frames. */
  startAtFrameset(tag) {
    if (tag === HTML) htmlAgain(this);
    else if (tag === NOFRAMES) startHeadContent(this, tag);
    else if (tag === FRAMESET && this.mode === IN_FRAMESET) this.insert(tag);
  }
  endAtFrameset(tag) {
    if (this.mode === IN_FRAMESET && tag === FRAMESET && this.open.top > 0) {
      this.open.pop();
      if (!this.open.isTop(FRAMESET)) this.mode = AFTER_FRAMESET;
    } else if (this.mode === AFTER_FRAMESET && tag === HTML) this.mode = AFTER_AFTER_FRAMESET;
  }
  endInMode(tag) {
    switch (this.mode) {
      case IN_BODY:
        endInBody(this, tag);
        return;
      case INITIAL:
      case BEFORE_HTML:
      case BEFORE_HEAD:
      case IN_HEAD2:
      case IN_HEAD_NOSCRIPT:
      case AFTER_HEAD:
        this.endBeforeBody(tag);
        return;
      case IN_TABLE:
        endInTable(this, tag);
        return;
      case IN_CAPTION:
        endInCaption(this, tag);
        return;
      case IN_COLUMN_GROUP:
        endInColumnGroup(this, tag);
        return;
      case IN_TABLE_BODY:
        endInTableBody(this, tag);
        return;
      case IN_ROW:
        endInRow(this, tag);
        return;
      case IN_CELL:
        endInCell(this, tag);
        return;
      case IN_SELECT:
        endInSelect(this, tag);
        return;
      case IN_SELECT_IN_TABLE:
        endInSelectInTable(this, tag);
        return;
      case IN_TEMPLATE2:
        if (tag === TEMPLATE) this.closeTemplate();
        return;
      case AFTER_BODY:
        if (tag === HTML) {
          this.mode = AFTER_AFTER_BODY;
          return;
        }
        this.mode = IN_BODY;
        endInBody(this, tag);
        return;
      case AFTER_AFTER_BODY:
        this.mode = IN_BODY;
        endInBody(this, tag);
        return;
      default:
        this.endAtFrameset(tag);
    }
  }
  endBeforeBody(tag) {
    if (this.mode === INITIAL) {
      this.isQuirky = true;
      this.mode = BEFORE_HTML;
    }
    const isHeadEnd = tag === HEAD && this.mode <= BEFORE_HEAD;
    if (tag === TEMPLATE && (this.mode === IN_HEAD2 || this.mode === AFTER_HEAD)) this.closeTemplate();
    else if (tag === HEAD && this.mode === IN_HEAD2) {
      this.open.pop();
      this.mode = AFTER_HEAD;
    } else if (this.mode === IN_HEAD_NOSCRIPT) {
      if (tag === NOSCRIPT) leaveNoscript(this);
      else if (tag === BR) {
        this.openMissing(tag);
        this.endInMode(tag);
      }
    } else if (isHeadEnd) {
      this.openUpToHead();
      this.endInMode(tag);
    } else if (endOpensMissing(tag)) {
      this.openMissing(tag);
      this.endInMode(tag);
    }
  }
  openUpToHead() {
    if (this.mode <= BEFORE_HTML) {
      this.insertImplied(HTML);
      this.mode = BEFORE_HEAD;
    }
    if (this.mode !== BEFORE_HEAD) return;
    this.insertImplied(HEAD);
    this.hasHead = true;
    this.mode = IN_HEAD2;
  }
  /** Opens all that a token of the body implies: root, head, body. */
  openMissing(tag) {
    this.openUpToHead();
    if (this.mode === IN_HEAD_NOSCRIPT) leaveNoscript(this);
    if (this.mode === IN_HEAD2) leaveHead(this, tag);
    this.insertImplied(BODY);
    openBody(this);
  }
  /** Processes characters. */
  characters(run) {
    if (this.open.namespace !== HTML_NS && isForeignStart(this, 0, true)) {
      this.textSink.insertText(this.open.context, run.inForeign());
      if (!run.isSilent) this.framesetOk = false;
      return;
    }
    switch (this.mode) {
      case IN_BODY:
      case IN_CAPTION:
      case IN_CELL:
      case IN_TEMPLATE2:
        this.charactersInBody(run);
        return;
      case IN_SELECT:
      case IN_SELECT_IN_TABLE:
        this.textSink.insertText(this.open.context, run);
        return;
      case IN_TABLE:
      case IN_TABLE_BODY:
      case IN_ROW:
        this.charactersInTable(run);
        return;
      case IN_COLUMN_GROUP:
        if (!run.isBlank && leaveColumnGroup(this)) this.charactersInTable(run);
        return;
      case AFTER_BODY:
      case AFTER_AFTER_BODY:
        if (!run.isBlank) this.mode = IN_BODY;
        this.charactersInBody(run);
        return;
      case IN_FRAMESET:
      case AFTER_FRAMESET:
      case AFTER_AFTER_FRAMESET:
        return;
      default:
        if (run.isBlank) return;
        if (this.mode === INITIAL) this.isQuirky = true;
        this.openMissing(0);
        this.charactersInBody(run);
    }
  }
  charactersInBody(run) {
    this.reconstruct();
    this.textSink.insertText(this.parentContext(), run);
    if (this.framesetOk && !run.isSilent) this.framesetOk = false;
  }
  /** "In table text": white space stays where it is, anything else is put before the table. */
  charactersInTable(run) {
    const isInTable = (this.open.props & IS_FOSTERS) !== 0 || this.open.isTop(TEMPLATE);
    if (isInTable && run.isBlank) {
      this.textSink.insertText(this.open.context, run);
      return;
    }
    const before = this.fostering;
    this.fostering = true;
    this.charactersInBody(run);
    this.fostering = before;
  }
};

// src/core/page/scan/scanner.ts
var BANG3 = 33;
var DASH3 = 45;
var SLASH4 = 47;
var LESS3 = 60;
var GREATER4 = 62;
var QUESTION2 = 63;
var HELD_BACK = 512;
var HEAD_CHARACTERS = 1 << 20;
var SKIMMED_CHARACTERS = 1 << 20;
var PageScanner = class {
  attributes = new Attributes();
  selfClosing = false;
  /** Offset within the page after the tag being read. */
  tagEnd = 0;
  /** What is in hand: all pieces so far, without what has been read. */
  text = "";
  base = 0;
  index = 0;
  isLast = false;
  /** After a piece in which a tag or text didn't end, scanning waits for this much, so that no text is read twice as often as it doubles. */
  waitFor = 0;
  /** Where the name of the tag being read ends. */
  nameEnd = 0;
  /** Offset within the page from which on the body was only skimmed, and the tree stands still; -1 when it is read. */
  skimmedFrom = -1;
  run = new Run();
  others = new OtherNames();
  positions;
  facts;
  tree;
  constructor({ encoding, bomBytes }) {
    this.positions = new Positions(encoding, bomBytes);
    this.facts = new FactGatherer(this.positions, this.attributes);
    this.tree = new Tree(this.facts, this);
  }
  /**
   * Takes the next piece of the page's text.
   * @param isAscii true when the piece holds no character beyond U+007F
   */
  write(piece, isAscii) {
    this.dropRead();
    this.text = this.text === "" ? piece : this.text + piece;
    this.positions.extend(this.text, this.base, piece, isAscii);
    this.facts.extend(this.text, this.base);
    if (this.text.length >= this.waitFor) this.scan();
  }
  /** The page is complete. @returns all that was found */
  end() {
    this.isLast = true;
    this.scan();
    const length = this.base + this.text.length;
    this.facts.atEnd(length);
    this.tree.open.popAll();
    return this.facts.result();
  }
  /** Lets go of text that has been read; a head is kept until it ends, for its rows. */
  dropRead() {
    const isHeadKept = !this.facts.rows.isHeadRead && this.text.length < HEAD_CHARACTERS;
    if (this.index === 0 || isHeadKept) return;
    if (this.skimmedFrom >= 0 && this.text.length >= SKIMMED_CHARACTERS) this.index = this.readSkimmed(this.index);
    const dropped = this.skimmedFrom >= 0 ? this.skimmedFrom - this.base : this.index;
    if (dropped === 0) return;
    this.facts.beforeDrop();
    const end = this.base + dropped;
    this.positions.at(end);
    this.positions.bytesBefore(end);
    this.text = this.text.slice(dropped);
    this.base = end;
    this.index -= dropped;
  }
  scan() {
    const limit = this.isLast ? this.text.length : this.text.length - HELD_BACK;
    let index = this.index;
    while (index < limit) {
      if (this.skimmedFrom < 0 && this.facts.isNearlySettled && this.canSkim()) this.skimmedFrom = this.base + index;
      if (this.skimmedFrom >= 0) {
        const next2 = nextTelling(this.text, index, limit);
        index = next2 < 0 ? ~next2 : next2;
        if (next2 < 0 || index >= limit) break;
        const after = this.skimTag(index);
        if (after === INCOMPLETE && !this.isLast) break;
        if (after >= 0) {
          index = after;
          continue;
        }
        index = this.readSkimmed(index);
      }
      const next = this.token(index);
      if (next === INCOMPLETE) break;
      index = next;
    }
    if (this.isLast) index = this.endInside(index);
    this.index = index;
    this.waitFor = this.isLast ? 0 : 2 * (this.text.length - index);
  }
  canSkim() {
    return this.tree.canBeSkimmed && this.facts.isSettled(this.tree.isInMain);
  }
  token(index) {
    return this.tree.rawText === NO_RAW_TEXT ? this.step(index) : this.rawText(index);
  }
  /** Brings the tree up to where the page has been skimmed to. Facts are noted already. @returns where it stands */
  readSkimmed(end) {
    let index = this.skimmedFrom - this.base;
    this.skimmedFrom = -1;
    this.facts.isMuted = true;
    while (index < end) {
      const next = this.token(index);
      if (next === INCOMPLETE) break;
      index = next;
    }
    this.facts.isMuted = false;
    return index;
  }
  /** Notes the fact that a tag of a settled body gives. @returns the offset after it; `INCOMPLETE`; `UNDECIDED` */
  skimTag(less) {
    const { text, attributes, facts } = this;
    if (!isLetter(text.charCodeAt(less + 1))) return endOfCommentAt(text, less);
    const tag = this.tagName(less + 1);
    const props = tag < PROPS.length ? PROPS[tag] : 0;
    if ((props & IS_TELLING) === 0) return endOfTag(text, this.nameEnd);
    const end = attributes.read(text, this.nameEnd);
    if (end < 0) return INCOMPLETE;
    switch (tag) {
      case SVG:
        if (attributes.isSelfClosing) return end;
        return endOfDrawing(text, end, this, (after) => this.isSelfClosingAt(after));
      case SELECT:
        return endOfChoices(text, end, this);
      case MATH:
      case TEMPLATE:
      case PLAINTEXT:
        return UNDECIDED;
      case MAIN:
      case ARTICLE:
      case H1:
        return facts.isTextSettled(tag) ? end : UNDECIDED;
      case TITLE:
      case STYLE:
      case TEXTAREA:
      case XMP:
      case IFRAME:
      case NOEMBED:
      case NOFRAMES: {
        if (!facts.isTextSettled(tag)) return UNDECIDED;
        const close = endTagOf(text, NAMES[tag], end);
        return close < 0 ? INCOMPLETE : endOfTag(text, close + 2 + NAMES[tag].length);
      }
      case SCRIPT:
        return this.skimScript(less, end);
      default:
        facts.atToken(this.base + less, this.base + end, 0);
        facts.element(tag === IMAGE ? IMG : tag, 0);
        return end;
    }
  }
  skimScript(less, content) {
    const close = endOfScript(this.text, content);
    const end = close < 0 ? -1 : endOfTag(this.text, close + 2 + NAMES[SCRIPT].length);
    if (end < 0) return INCOMPLETE;
    this.facts.atToken(this.base + less, this.base + content, 0);
    this.facts.element(SCRIPT, 0);
    this.facts.rawContent(0, content, close, true, false);
    return end;
  }
  isSelfClosingAt(end) {
    return this.attributes.read(this.text, this.nameEnd) === end && this.attributes.isSelfClosing;
  }
  /** The page ended inside a tag, a comment or a raw text; the first is dropped as the standard says. */
  endInside(index) {
    const { text, tree } = this;
    if (tree.rawText !== NO_RAW_TEXT) this.contentOfRaw(index, text.length);
    else if (text.startsWith("<!", index) && text.slice(index + 2, index + 9).toLowerCase() === "doctype") {
      tree.doctype(true);
    }
    return text.length;
  }
  /** Reads a tag, or a text up to the next. @returns the offset after it */
  step(index) {
    const { text } = this;
    if (text.charCodeAt(index) !== LESS3) return this.textUpTo(text.indexOf("<", index), index);
    const unit = text.charCodeAt(index + 1);
    if (isLetter(unit)) return this.startTag(index);
    if (unit === SLASH4) return this.endTag(index);
    if (unit === BANG3) return this.markupDeclaration(index);
    if (unit === QUESTION2) return this.bogusComment(index);
    this.characters(index, index + 1, true);
    return index + 1;
  }
  textUpTo(less, index) {
    if (less < 0 && !this.isLast) return INCOMPLETE;
    const end = less < 0 ? this.text.length : less;
    this.characters(index, end, true);
    return end;
  }
  characters(start, end, isMarkup) {
    const { tree } = this;
    if (!tree.framesetOk && tree.isBodyLike && this.facts.ignoresText(tree.open.context)) {
      if (!tree.formatting.isEmpty) tree.reconstruct();
      return;
    }
    this.facts.atToken(this.base + start, this.base + end, 0);
    const first = this.base + start === tree.newlineAt ? afterNewline(this.text, start) : start;
    if (first < end) tree.characters(this.run.set(this.text, first, end, isMarkup));
  }
  /** Reads a tag's name. Leaves its end in `nameEnd`. @returns the element's number */
  tagName(start) {
    const { text } = this;
    let index = start;
    let packed = 0;
    let code = codeOf(text.charCodeAt(index));
    while (code > 0) {
      packed = addToName(packed, code);
      code = codeOf(text.charCodeAt(++index));
    }
    if (!isNameEnd(text, index)) return this.otherName(start, index);
    this.nameEnd = index;
    return knownTag(text, start, index, packed) || this.otherName(start, index);
  }
  otherName(start, from) {
    const { text } = this;
    let index = from;
    while (!isNameEnd(text, index)) index++;
    this.nameEnd = index;
    return this.others.numberOf(text.slice(start, index).toLowerCase());
  }
  startTag(less) {
    const { tree, attributes } = this;
    const tag = this.tagName(less + 1);
    const isRead = tag < PROPS.length && (PROPS[tag] & IS_READS_ATTRIBUTES) !== 0 || tree.open.namespace !== HTML_NS;
    const end = isRead ? attributes.read(this.text, this.nameEnd) : endOfTag(this.text, this.nameEnd);
    if (end < 0) return INCOMPLETE;
    this.selfClosing = isRead && attributes.isSelfClosing;
    this.tagEnd = this.base + end;
    this.facts.atToken(this.base + less, this.base + end, 0);
    tree.startTag(tag);
    return end;
  }
  endTag(less) {
    const { text } = this;
    const unit = text.charCodeAt(less + 2);
    if (unit === GREATER4) return less + 3;
    if (!isLetter(unit)) {
      if (less + 2 < text.length) return this.bogusComment(less);
      if (!this.isLast) return INCOMPLETE;
      this.characters(less, text.length, true);
      return text.length;
    }
    const tag = this.tagName(less + 2);
    const isPlain2 = text.charCodeAt(this.nameEnd) === GREATER4;
    const end = isPlain2 ? this.nameEnd + 1 : endOfTag(text, this.nameEnd);
    if (end < 0) return INCOMPLETE;
    this.facts.atToken(this.base + less, this.base + end, tag);
    this.tree.endTag(tag);
    return end;
  }
  /** "Markup declaration open state": a comment, a DOCTYPE, a CDATA section, or none of them. */
  markupDeclaration(less) {
    const { text } = this;
    if (text.charCodeAt(less + 2) === DASH3 && text.charCodeAt(less + 3) === DASH3) return this.comment(less);
    if (text.slice(less + 2, less + 9).toLowerCase() === "doctype") {
      const end = text.indexOf(">", less + 9);
      if (end < 0) return INCOMPLETE;
      this.facts.atToken(this.base + less, this.base + end + 1, 0);
      this.tree.doctype(isQuirkyDoctype(text.slice(less + 9, end), true));
      return end + 1;
    }
    if (text.startsWith("[CDATA[", less + 2) && this.tree.open.namespace !== HTML_NS) {
      const end = text.indexOf("]]>", less + 9);
      if (end < 0 && !this.isLast) return INCOMPLETE;
      const last = end < 0 ? text.length : end;
      if (last > less + 9) this.characters(less + 9, last, false);
      return end < 0 ? text.length : end + 3;
    }
    return this.bogusComment(less);
  }
  bogusComment(less) {
    const end = this.text.indexOf(">", less + 2);
    if (end < 0) return INCOMPLETE;
    this.facts.atToken(this.base + less, this.base + end + 1, 0);
    return end + 1;
  }
  /** The comment states: a comment ends at `-->`, `--!>`, or at once at `>` or `->`. */
  comment(less) {
    const end = endOfComment(this.text, less + 4);
    if (end < 0) return INCOMPLETE;
    this.facts.atToken(this.base + less, this.base + end, 0);
    return end;
  }
  /** Content of an element that holds text only, and its end tag. */
  rawText(index) {
    const { text, tree } = this;
    const less = tree.rawText === PLAINTEXT2 ? -1 : this.endOfRaw(index);
    if (less < 0) return INCOMPLETE;
    const tag = tree.open.tag;
    const end = endOfTag(text, less + 2 + NAMES[tag].length);
    if (end < 0) return INCOMPLETE;
    this.contentOfRaw(index, less);
    this.facts.atToken(this.base + less, this.base + end, tag);
    tree.endRawText();
    return end;
  }
  contentOfRaw(start, end) {
    const { tree } = this;
    const isScript = tree.rawText === SCRIPT_DATA;
    const first = tree.open.tag === TEXTAREA ? Math.min(end, afterNewline(this.text, start)) : start;
    this.facts.rawContent(tree.open.context, first, end, isScript, tree.rawText === RCDATA);
  }
  /** Offset of the `</` that ends the raw text; -1 when it isn't there yet. */
  endOfRaw(index) {
    const { text, tree } = this;
    return tree.rawText === SCRIPT_DATA ? endOfScript(text, index) : endTagOf(text, NAMES[tree.open.tag], index);
  }
};
function isNameEnd(text, index) {
  const unit = text.charCodeAt(index);
  return unit === GREATER4 || unit === SLASH4 || isSpace(unit) || index >= text.length;
}

// src/core/page/read-page.ts
function readPage(html) {
  const scanner = new PageScanner(html);
  scanner.write(html.text, html.text.length + html.bomBytes === html.byteLength);
  return scanner.end();
}

// bench/facts-corpora.ts
import { readdirSync, readFileSync, statSync } from "node:fs";
import { join } from "node:path";
import { fileURLToPath } from "node:url";
var demo = fileURLToPath(new URL("../demo/site", import.meta.url));
function htmlFiles(folder) {
  return readdirSync(folder).flatMap((name2) => {
    const path = join(folder, name2);
    if (statSync(path).isDirectory()) return htmlFiles(path);
    return name2.endsWith(".html") ? [path] : [];
  });
}
var WORDS = "the lamp asks for a new switch and sometimes for another plug when its cord has been pulled too often by hand";
var words = WORDS.split(" ");
var sentence = (seed, length) => Array.from({ length }, (_, index) => words[(seed * 7 + index * 5 + index * seed % 11) % words.length]).join(" ");
var head = (index) => `<!doctype html>
<html lang="en"><head><meta charset="utf-8"><title>Part ${index} | Handbook</title>
<meta name="viewport" content="width=device-width, initial-scale=1">
<meta name="description" content="${sentence(index, 20)}">
<meta property="og:title" content="Part ${index}"><meta property="og:image" content="https://brasswick.example/p/${index}.png">
<meta name="twitter:card" content="summary_large_image"><link rel="canonical" href="https://brasswick.example/part/${index}">
<link rel="icon" href="/icon.svg" type="image/svg+xml"><link rel="stylesheet" href="/site.css">
<script type="application/ld+json">{"@context":"https://schema.org","@type":"Article","headline":"Part ${index}"}</script>
</head>`;
function docsPage(index, size) {
  const aside = Array.from(
    { length: 150 },
    (_, item) => `<li class="nav-item level-${item % 3}"><a href="/part/${item}" class="nav-link${item === index ? " is-here" : ""}"><span>${sentence(item, 3)}</span></a></li>`
  ).join("\n");
  const parts = [];
  let length = 0;
  for (let part = 0; length < size - aside.length; part++) {
    const piece = `<h2 id="s${part}">${sentence(part, 4)}<a class="anchor" href="#s${part}" aria-label="Link">#</a></h2>
<p>${sentence(part, 40)} <a href="/part/${part}">${sentence(part, 3)}</a> ${sentence(part + 1, 25)} <code>${sentence(part, 1)}</code>.</p>
<pre class="code"><code>${Array.from({ length: 8 }, (_, line) => `<span class="line"><span class="k">const</span> <span class="v">a${line}</span> = <span class="n">${line}</span>;</span>`).join("\n")}</code></pre>
<table><thead><tr><th>Name<th>Use</thead><tbody>${Array.from({ length: 4 }, (_, row) => `<tr><td><code>${words[row]}</code></td><td>${sentence(row, 9)}</td></tr>`).join("")}</tbody></table>`;
    parts.push(piece);
    length += piece.length;
  }
  return `${head(index)}<body><header><a href="/">Home</a></header><nav><ul>${aside}</ul></nav><main><h1>Part ${index}</h1>
${parts.join("\n")}</main><footer><p>${sentence(index, 12)}</p></footer></body></html>`;
}
function scriptPage(index) {
  const data = JSON.stringify(
    Array.from({ length: 500 }, (_, row) => ({ id: row, text: sentence(row, 12), html: "<b>x</b>" }))
  );
  const style = `<style>${Array.from({ length: 200 }, (_, row) => `.c${row}>a{color:#${100 + row}}`).join("")}</style>`;
  return `${head(index).replace("</head>", `${style}</head>`)}<body><div id="app"><main><h1>Part ${index}</h1><p>${sentence(index, 30)}</p>
<img src="/p/${index}.png" width="1200" height="630" alt=""></main></div><script>self.data=${data.replaceAll("</", "<\\/")}</script><script src="/app.js" type="module"></script></body></html>`;
}
var flat = (text) => Buffer.from(text, "utf8").toString("utf8");
function corpora() {
  const demoPages = htmlFiles(demo).map((file) => readFileSync(file, "utf8"));
  return [
    { name: "the demo, 20 times", pages: Array.from({ length: 20 }, () => demoPages).flat() },
    {
      name: "documentation, 100 KB pages",
      pages: Array.from({ length: 60 }, (_, index) => flat(docsPage(index, 1e5)))
    },
    { name: "pages that are mostly script", pages: Array.from({ length: 60 }, (_, index) => flat(scriptPage(index))) }
  ];
}

// ../../tmp/prof2.ts
var which = Number(process.argv[2]);
var times = Number(process.argv[3] ?? 20);
var { name, pages: p0 } = corpora()[which];
var pages = process.env.NAV ? p0.map((x) => Buffer.from(x.replaceAll("<p>", "<q>").replaceAll("</p>", "</q>").replaceAll("<h1", "<h2"), "utf8").toString("utf8")) : p0;
var n = pages.reduce((s, p) => s + p.length, 0);
var floor = () => {
  let c = 0;
  for (const t of pages) for (let at2 = t.indexOf("<"); at2 >= 0; at2 = t.indexOf("<", at2 + 1)) c++;
  return c;
};
var ours = () => {
  for (const text of pages) readPage({ text, encoding: "utf-8", from: "header", bomBytes: 0, byteLength: text.length });
};
var tags = floor();
var m = 1e9;
var w = 1e9;
var ms = [];
var ws = [];
for (let k = 0; k < times; k++) {
  let t = performance.now();
  ours();
  let d = performance.now() - t;
  ms.push(d);
  t = performance.now();
  floor();
  d = performance.now() - t;
  ws.push(d);
}
ms.sort((a, b) => a - b);
ws.sort((a, b) => a - b);
m = ms[0];
w = ws[0];
console.log(name, `${(n / 1e6).toFixed(1)} MB ours ${m.toFixed(1)} walk ${w.toFixed(2)} ratio ${(m / w).toFixed(1)} (median ${(ms[times >> 1] / ws[times >> 1]).toFixed(1)}) ${(m / tags * 1e6).toFixed(0)} ns/<`);
