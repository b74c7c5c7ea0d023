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
  let name = "";
  let suffixOffset = HEADER_LENGTH;
  let valueOffset = 0;
  for (let index = 0; index < nameCount; index++) {
    const meta0 = data.charCodeAt(metaStart + 2 * index) - META_BIAS;
    const meta1 = data.charCodeAt(metaStart + 2 * index + 1) - META_BIAS;
    const prefixLength = meta0 & 31;
    const length = prefixLength + (meta1 & 31);
    const valueLength = (meta1 >> 5) + 1;
    name = name.slice(0, prefixLength) + data.slice(suffixOffset, suffixOffset + length - prefixLength);
    suffixOffset += length - prefixLength;
    const key = exactKey(name, 0, length);
    const choice = data.charCodeAt(choicesStart + Math.floor(index / CHOICE_BITS_PER_CHAR)) - HEADER_BIAS & 1 << index % CHOICE_BITS_PER_CHAR;
    let slot = 2 * (choice === 0 ? bucketOne : bucketTwo)(key, buckets);
    if (keys[slot] !== 0)
      slot += 1;
    keys[slot] = key;
    if (length > 4) {
      const middle = name.slice(2, length - 2);
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
    const pair = pairIndex(name.charCodeAt(0), name.charCodeAt(1));
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
var SINGLE_QUOTE = 39;
var SLASH = 47;
var EQUALS = 61;
var GREATER = 62;
function isSpace(unit) {
  return unit === SPACE || unit === LF || unit === TAB || unit === CR || unit === FF;
}
function normalized(text) {
  let result = text;
  if (result.includes("\r")) result = result.replaceAll("\r\n", "\n").replaceAll("\r", "\n");
  return result.includes("\0") ? result.replaceAll("\0", "\uFFFD") : result;
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
      const name = index;
      unit = text.charCodeAt(++index);
      while (unit > GREATER || unit !== EQUALS && unit !== GREATER && unit !== SLASH && !isSpace(unit) && index < length) {
        unit = text.charCodeAt(++index);
      }
      this.names[count] = name;
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
  get(name) {
    for (let at = 0; at < this.count; at++) {
      if (!this.isNamed(at, name)) continue;
      const raw = normalized(this.text.slice(this.values[at], this.valueEnds[at]));
      return raw.includes("&") ? decodeHTMLAttribute(raw) : raw;
    }
    return null;
  }
  /**
   * Where an attribute stands in the text, from its name to the end of its value, quotes included; of two with one
   * name, the first. Null when there is none.
   */
  spanOf(name) {
    for (let at = 0; at < this.count; at++) {
      if (!this.isNamed(at, name)) continue;
      const start = this.names[at];
      const [value, end] = [this.values[at], this.valueEnds[at]];
      const before = this.text.charCodeAt(value - 1);
      const isQuoted = value > this.nameEnds[at] && (before === DOUBLE_QUOTE || before === SINGLE_QUOTE);
      return { start, end: value === end && !isQuoted ? this.nameEnds[at] : end + (isQuoted ? 1 : 0) };
    }
    return null;
  }
  /** @param name in lower case */
  isNamed(at, name) {
    const start = this.names[at];
    if (this.nameEnds[at] - start !== name.length) return false;
    for (let index = 0; index < name.length; index++) {
      const unit = this.text.charCodeAt(start + index);
      if ((unit >= 65 && unit <= 90 ? unit | 32 : unit) !== name.charCodeAt(index)) return false;
    }
    return true;
  }
};

// src/core/page/scan/raw-text.ts
var BANG = 33;
var DASH = 45;
var GREATER2 = 62;
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

// src/core/page/scan/skim.ts
var BANG2 = 33;
var DASH2 = 45;
var SLASH2 = 47;
var LESS = 60;
var GREATER3 = 62;
var QUESTION = 63;
var isLetter = (unit) => unit >= 97 && unit <= 122 || unit >= 65 && unit <= 90;
var MAY_TELL = new Uint8Array(1 << 10);
for (const [tag, name] of NAMES.entries()) {
  if ((PROPS[tag] & IS_TELLING) === 0) continue;
  const first = (name.charCodeAt(0) & 31) << 5;
  if (name.length === 1) for (const after of "	\n\f\r />") MAY_TELL[first | after.charCodeAt(0) & 31] = 1;
  else MAY_TELL[first | name.charCodeAt(1) & 31] = 1;
}
function nextTelling(text, from, limit) {
  let less = text.indexOf("<", from);
  while (less >= 0 && less < limit) {
    let index = less + 1;
    let unit = text.charCodeAt(index);
    if (unit === SLASH2) {
      unit = text.charCodeAt(++index);
      if (!isLetter(unit)) return less;
    } else if (isLetter(unit)) {
      if (MAY_TELL[(unit & 31) << 5 | text.charCodeAt(index + 1) & 31] !== 0) return less;
    } else if (unit === BANG2 || unit === QUESTION) return less;
    else {
      less = text.indexOf("<", index);
      continue;
    }
    const end = endOfAnyTag(text, index);
    if (end < 0) return ~less;
    less = text.charCodeAt(end) === LESS ? end : text.indexOf("<", end);
  }
  return less < 0 ? text.length : less;
}
function endOfAnyTag(text, index) {
  let at = index + 1;
  for (; ; ) {
    const unit = text.charCodeAt(at);
    if (unit > SLASH2) {
      if (unit === GREATER3) return at + 1;
    } else if (unit === SLASH2 || isSpace(unit)) return endOfTag(text, at);
    else if (at >= text.length) return -1;
    at++;
  }
}
function endOfCommentAt(text, less) {
  const isComment = text.charCodeAt(less + 2) === DASH2 && text.charCodeAt(less + 3) === DASH2;
  if (isComment && text.charCodeAt(less + 1) === BANG2) return endOfComment(text, less + 4);
  return text.indexOf(">", less + 2) + 1 || -1;
}

// bench/facts-corpora.ts
import { readdirSync, readFileSync, statSync } from "node:fs";
import { join } from "node:path";
import { fileURLToPath } from "node:url";
var demo = fileURLToPath(new URL("../demo/site", import.meta.url));
function htmlFiles(folder) {
  return readdirSync(folder).flatMap((name) => {
    const path = join(folder, name);
    if (statSync(path).isDirectory()) return htmlFiles(path);
    return name.endsWith(".html") ? [path] : [];
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

// ../../tmp/prof3.ts
var { pages } = corpora()[1];
var best = (f) => {
  let b = 1e9;
  let r = 0;
  for (let i = 0; i < 25; i++) {
    const t = performance.now();
    r = f();
    b = Math.min(b, performance.now() - t);
  }
  return [b, r];
};
var skim = () => {
  let c = 0;
  for (const t of pages) {
    let at = nextTelling(t, 0, t.length);
    while (at >= 0 && at < t.length) {
      c++;
      at = isLetter(t.charCodeAt(at + 1)) ? endOfAnyTag(t, at + 1) : endOfCommentAt(t, at);
      if (at < 0) break;
      at = nextTelling(t, at, t.length);
    }
  }
  return c;
};
var attrs = new Attributes();
var floor = () => {
  let c = 0;
  for (const t of pages) for (let at = t.indexOf("<"); at >= 0; at = t.indexOf("<", at + 1)) c++;
  return c;
};
for (let k = 0; k < 3; k++) {
  const [w, n] = best(floor);
  const [s, telling] = best(skim);
  console.log("walk", w, "skim", s, "ratio", s / w, "ns/<", s / n * 1e6, "telling", telling, "of", n);
}
