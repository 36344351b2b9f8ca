namespace Circuitum.Formats.Svg;

/// <summary>The style sheet of a drawing, written into drawings on paper and shipped with the application.</summary>
public static class DrawingStyle
{
    /// <summary>Ink, paper, jackets.</summary>
    public const string Sheet = """
        .plan{font-family:'Atkinson Hyperlegible Next',sans-serif;background:#FCFBF7}
        .room{fill:#FCFBF7}.use-greenhouse{fill:#F3F6F0}.use-garage,.use-utility{fill:#F8F5EC}
        .wall-edge{fill:#1F2D36}.wall{fill:#EFEAE0}.studs{stroke:#8A8672;stroke-width:.7;fill:none}
        .gap{fill:#FCFBF7}.jamb{stroke:#1F2D36;stroke-width:1}.glass{stroke:#1F2D36;stroke-width:.8}.leaf{stroke:#1F2D36;stroke-width:1.4}
        .swing{stroke:#8A8672;stroke-width:.6;fill:none}.overhead{stroke:#1F2D36;stroke-width:1;stroke-dasharray:6 3}
        .fixture{fill:#EFEAE0;stroke:#9A947F;stroke-width:.8}.fixture.plain{fill:#F6F2E8}.fixture.dashed{fill:none;stroke-dasharray:4 3}
        .detail{fill:none;stroke:#9A947F;stroke-width:.7}.walkline{fill:none;stroke:#4C5A60;stroke-width:.9}
        .fixture-name{font-size:7px;fill:#5E6A6F}
        .room-name{font-size:8.6px;font-weight:600;fill:#4C5A60}.room-size{font-size:7.4px;fill:#4C5A60}
        .kept-size{text-decoration:underline}
        .dimension{font-size:6.6px;fill:#17695F}.dimension-line{stroke:#17695F;stroke-width:.5}
        .scale{stroke:#1F2D36;stroke-width:.8;fill:none}
        .symbol{fill:#FCFBF7;stroke:#1F2D36;stroke-width:1}path.symbol{fill:none}
        .symbol-letter{font-size:7px;font-weight:600;fill:#1F2D36;text-anchor:middle}.symbol-letter.small{font-size:5.4px}
        .switch{font-size:10px;font-weight:600;fill:#1F2D36}.subscript{font-size:6px;font-weight:600;fill:#1F2D36}
        .number{font-size:7.6px;fill:#4C5A60}.number.on{font-weight:600;fill:#17695F;font-size:8.6px}
        .hit{fill:transparent}.panel{fill:#1F2D36}.panel-name{font-size:8.6px;font-weight:600;fill:#1F2D36}
        .room.chosen-room{fill:#DDEBE6}.room.see-through{fill-opacity:.35}
        .below{fill:none;stroke:#8A8672;stroke-width:1;stroke-dasharray:7 4}.underlay{opacity:.75}
        .pad{fill:#EFEAE0;fill-opacity:.6;stroke:#8A8672;stroke-width:.8}
        .obstruction{fill:#EFEAE0;fill-opacity:.5;stroke:#4C5A60;stroke-width:.8;stroke-dasharray:6 3}
        .obstruction-cross{fill:none;stroke:#8A8672;stroke-width:.5}
        .kept{fill:#DCE6F1;stroke:#3B5678;stroke-width:.8;stroke-dasharray:2 2}.chase-ring{fill:#FCFBF7;stroke:#1F2D36;stroke-width:1}
        .chase-cord{fill:#17695F}
        .wanted{fill:#F3F6F0;fill-opacity:.7;stroke:#17695F;stroke-width:.8;stroke-dasharray:3 2}
        .side-hit{stroke:transparent;stroke-width:10;fill:none}.opening-hit{fill:transparent}
        .part.chosen .opening-hit{fill:#17695F;fill-opacity:.25;stroke:#17695F;stroke-width:1.2}
        .part.chosen .fixture,.part.chosen .obstruction,.part.chosen .kept,.part.chosen .wanted{stroke:#17695F;stroke-width:2}
        .chosen-wall{stroke:#17695F;stroke-width:3}.panel-on-wall.chosen .panel{fill:#17695F}
        .served{stroke-width:1.6}.served.odd{stroke:#6FA79D}.served.even{stroke:#A9CBC4}.served.counter{stroke-width:2.4}
        .unserved{stroke:#B3261E;stroke-width:2.6;stroke-dasharray:5 3}
        .unserved-far{font-size:7.4px;font-weight:600;fill:#B3261E;paint-order:stroke;stroke:#FCFBF7;stroke-width:2px}
        .cable{fill:none;stroke-width:1;stroke:#A59F8C;stroke-linejoin:round}
        .quiet.jacket-14{stroke:#B9B4A4}.quiet.jacket-12{stroke:#C9A61C}.quiet.jacket-10{stroke:#C2702A}.quiet.jacket-8{stroke:#5E6A6F}
        .casing{fill:none;stroke:#1F2D36;stroke-width:4.2;stroke-linejoin:round}.casing.chosen{stroke:#17695F;stroke-width:7.5}
        .lit{stroke-width:2.6}.lit.jacket-14{stroke:#FCFBF7}.lit.jacket-12{stroke:#E8C01F}.lit.jacket-10{stroke:#D9782D}
        .lit.jacket-8{stroke:#5A5F55}
        .lit.leg{stroke-dasharray:7 3}.via{cursor:move}.via-ring{fill:#17695F;stroke:#FCFBF7;stroke-width:1.2}
        .via.spare .via-ring{fill:#FCFBF7;stroke:#17695F;stroke-width:1.4}.only-home .cable.quiet:not(.home){display:none}
        .cable.pulled{stroke-opacity:.25;stroke-dasharray:2 3}
        .has-lit .quiet{opacity:.35}.has-lit .box:not(.on-circuit):not(.chosen) .symbol{stroke:#8D8A7C}
        .has-lit .box:not(.on-circuit) .switch{fill:#8D8A7C}
        .on-circuit .symbol{stroke:#17695F;stroke-width:1.6}.on-circuit .switch{fill:#17695F}
        .dead .symbol{stroke:#B3261E;stroke-dasharray:2 1.5}.dead .switch{fill:#B3261E}.opened .dead .hit{fill:#FBE1DF;fill-opacity:.8}
        .opened .room.no-light{fill:url(#no-light)}.opened .room.less-light{fill:#F1ECDF}
        .alight{font-size:8px;font-weight:600;fill:#1F2D36;paint-order:stroke;stroke:#FCFBF7;stroke-width:3px}
        .opened .room-name,.opened .room-size{paint-order:stroke;stroke:#FCFBF7;stroke-width:2.5px}
        .subscript.device{fill:#17695F;font-size:7px}
        .symbol.low,path.symbol.low{fill:#FCFBF7}.low-way{fill:none;stroke:#3B5678;stroke-width:1;stroke-dasharray:1.5 2.5}
        .low-way.chosen-way{stroke:#17695F;stroke-width:2.6}
        .conduit .run{fill:none;stroke-width:1.6}.conduit .under{stroke-dasharray:6 3}.conduit.lighting .run{stroke:#9A6A12}
        .conduit.sockets .run{stroke:#17695F}.conduit.power .run{stroke:#3B5678}.conduit.other{opacity:.2}
        .conduit.feeder .run{stroke:#6A3D6E;stroke-width:2.6}
        .conduit.chosen .run{stroke-width:3.6}
        .conduit .way{font-size:7.6px;font-weight:600;fill:#1F2D36;paint-order:stroke;stroke:#FCFBF7;stroke-width:2px}
        .target .symbol{fill:#F2C94C}.carried .symbol{fill:#17695F}
        .chosen .symbol{fill:#DDEBE6;stroke:#17695F;stroke-width:2}.chosen .switch{fill:#17695F}
        """;

    /// <summary>The make-up of a box: conductors in their colours with an ink edge, screws in their metals.</summary>
    public const string MakeUp = """
        .make-up{font-family:'Atkinson Hyperlegible Next',sans-serif;background:#FCFBF7}
        .make-up .edge{fill:none;stroke:#1F2D36;stroke-width:5;stroke-linecap:round}
        .make-up .wire{fill:none;stroke-width:3.2;stroke-linecap:round}
        .make-up .black{stroke:#1F2D36}.make-up .red{stroke:#D0392B}.make-up .blue{stroke:#3067B0}.make-up .white{stroke:#FFFFFF}
        .make-up .whitered{stroke:#FFFFFF;stroke-dasharray:9 3}.make-up .bare{stroke:#C98A4B}
        .make-up .jacket{stroke:#1F2D36;stroke-width:1;fill:#FCFBF7}.make-up .jacket-12{fill:#F3DC7C}.make-up .jacket-10{fill:#EDB085}
        .make-up .jacket-8{fill:#C9CCC4}.make-up .jacket-14{fill:#FFFFFF}.make-up .jacket-mc{fill:#D5D8DA}
        .make-up text{fill:#1F2D36}.make-up .cable-name{font-size:9.5px;font-weight:600}.make-up .cable-end{font-size:8.4px}
        .make-up .letters{font-size:8.4px;font-weight:600}
        .make-up .device-body{fill:#EFEAE0;stroke:#1F2D36;stroke-width:1}.make-up .device-name{font-size:9.5px;font-weight:600}
        .make-up .screw-name{font-size:8.4px}
        .make-up .screw{stroke:#1F2D36;stroke-width:.9}.make-up .brass{fill:#D8B24A}.make-up .silver{fill:#D9DCDD}
        .make-up .green{fill:#3F8F4F}.make-up .dark{fill:#3A3A35}
        .make-up .splice{fill:#FCFBF7;stroke:#1F2D36;stroke-width:1.6}.make-up .cap{fill:#1F2D36}.make-up .turn{fill:#1F2D36}
        """;
}
