<?php

declare(strict_types=1);

namespace Elmstone\Demo;

use Elmstone\Core\Catalogue\Gtin;

/** The about nine hundred things that the demonstration shop sells. Made up; no brands. */
final class DemoItems
{
    /** Department code: name. */
    public const DEPARTMENTS = [
        'stone' => 'Stone',
        'tile' => 'Tile',
        'pipe' => 'Pipe and fittings',
        'valve' => 'Valves',
        'fix' => 'Fixings',
        'adh' => 'Adhesives and grout',
        'paint' => 'Paint',
        'mach' => 'Machines and tools',
        'sundry' => 'Sundries',
    ];

    /** Code: what whoever sells it should know, and the codes of what goes with it. */
    public const WORDS = [
        'AD-0207' => ['One bag sets about 4 square metres. Ask whether the floor is heated.', ['GR-301']],
        'PI-2800' => ['Cut to length; allow 30 mm at each joint.', ['VA-2214']],
        'MA-0031' => ['The blade is in the box; the stand is not.', []],
    ];

    /** @var list<array<string, mixed>> */
    private array $items = [];

    private int $serial = 0;

    public function __construct(private readonly Chance $chance)
    {
    }

    /** @return list<array<string, mixed>> rows of items, the department by its code */
    public function all(): array
    {
        $this->known();
        $this->stone();
        $this->tile();
        $this->pipe();
        $this->valves();
        $this->fixings();
        $this->adhesives();
        $this->paint();
        $this->machines();
        $this->sundries();

        return $this->items;
    }

    private function known(): void
    {
        $this->put('LH-1140', 'Limestone hook, plain, 140 mm', 'stone', 385);
        $this->put('LH-1141', 'Limestone hook, plain, 180 mm', 'stone', 440);
        $this->put('LH-1300', 'Limestone hook set, 12 pieces', 'stone', 4100, unit: 'box');
        $this->put('AD-0207', 'Floor adhesive, grey, 20 kg', 'adh', 1890);
        $this->put('VA-2214', 'Brass gate valve 22 mm', 'valve', 3420);
        $this->put('PI-2800', 'Copper pipe 28 mm', 'pipe', 1625, unit: 'metre');
        $this->put('FX-5060', 'Slotted screw 5×60', 'fix', 980, unit: 'hundred');
        $this->put('MA-0031', 'Tile saw, bench, 600 mm', 'mach', 9400, netPrice: true);
    }

    private function stone(): void
    {
        $number = 2000;

        foreach (['Limestone' => 100, 'Slate' => 120, 'Granite' => 190, 'Sandstone' => 95] as $kind => $dear) {
            foreach (
                [
                    'paver' => 620,
                    'coping' => 1450,
                    'sill' => 2200,
                    'step' => 4800,
                    'setts, per box' => 3900,
                ] as $shape => $price
            ) {
                foreach (['300×300' => 60, '450×300' => 80, '600×300' => 110, '600×600' => 190] as $size => $large) {
                    $this->put(
                        'ST-'.++$number,
                        "{$kind} {$shape} {$size} mm",
                        'stone',
                        intdiv($price * $dear * $large, 10000),
                        unit: str_contains($shape, 'box') ? 'box' : 'each',
                    );
                }
            }
        }
    }

    private function tile(): void
    {
        $number = 1000;

        foreach (
            [
                'Wall tile' => 180,
                'Floor tile' => 260,
                'Mosaic sheet' => 740,
                'Skirting tile' => 310,
                'Border tile' => 350,
            ] as $kind => $price
        ) {
            foreach (
                [
                    'white',
                    'cream',
                    'sand',
                    'slate grey',
                    'moss',
                    'midnight',
                    'terracotta',
                    'rose',
                    'bottle green',
                ] as $colour
            ) {
                foreach (
                    [
                        '100×100' => 40,
                        '200×100' => 55,
                        '300×200' => 95,
                        '300×300' => 120,
                        '600×300' => 210,
                    ] as $size => $large
                ) {
                    $this->put(
                        'TI-'.++$number,
                        "{$kind}, {$colour}, {$size} mm",
                        'tile',
                        intdiv($price * $large, 100),
                        unit: $this->chance->in(40) ? 'box' : 'each',
                    );
                }
            }
        }
    }

    private function pipe(): void
    {
        $number = 3000;

        foreach ([15 => 60, 22 => 100, 28 => 140, 35 => 200, 42 => 260, 54 => 350] as $bore => $dear) {
            foreach (['Copper' => 100, 'Plastic' => 35, 'Steel' => 80] as $made => $price) {
                $this->put(
                    'PI-'.++$number,
                    "{$made} pipe {$bore} mm",
                    'pipe',
                    intdiv(1180 * $dear * $price, 10000),
                    unit: 'metre',
                );

                foreach (
                    [
                        'elbow 90°' => 210,
                        'elbow 45°' => 230,
                        'tee' => 330,
                        'coupler' => 140,
                        'end cap' => 120,
                        'reducer' => 260,
                        'bend' => 420,
                    ] as $part => $cost
                ) {
                    $this->put(
                        'PF-'.++$number,
                        "{$made} {$part} {$bore} mm",
                        'pipe',
                        intdiv($cost * $dear * $price, 10000),
                    );
                }
            }
        }
    }

    private function valves(): void
    {
        $number = 2300;

        foreach (
            [
                'gate' => 3100,
                'ball' => 2400,
                'check' => 2900,
                'stop' => 1700,
                'radiator' => 1900,
                'drain' => 980,
                'float' => 2650,
            ] as $kind => $price
        ) {
            foreach (['Brass' => 100, 'Chrome' => 135, 'Plastic' => 45] as $made => $dear) {
                foreach ([15 => 70, 22 => 100, 28 => 135] as $bore => $large) {
                    $this->put(
                        'VA-'.++$number,
                        "{$made} {$kind} valve {$bore} mm",
                        'valve',
                        intdiv($price * $dear * $large, 10000),
                    );
                }
            }
        }
    }

    private function fixings(): void
    {
        $number = 5100;

        foreach (
            [
                'Slotted screw' => 620,
                'Cross screw' => 650,
                'Coach screw' => 2400,
                'Masonry anchor' => 3800,
                'Round nail' => 280,
            ] as $kind => $price
        ) {
            foreach ([3, 4, 5, 6] as $gauge) {
                foreach ([30, 40, 60, 80, 100] as $length) {
                    $this->put(
                        'FX-'.++$number,
                        "{$kind} {$gauge}×{$length}",
                        'fix',
                        intdiv($price * ($gauge * 10 + $length), 100),
                        unit: 'hundred',
                    );
                }
            }
        }

        foreach (
            [
                'Wall plug' => 45,
                'Washer' => 30,
                'Hex nut' => 55,
                'Hex bolt' => 160,
                'Threaded rod' => 210,
                'Spring washer' => 40,
            ] as $kind => $price
        ) {
            foreach ([5, 6, 8, 10, 12, 16, 20] as $size) {
                $this->put('FX-'.++$number, "{$kind} M{$size}, box of 50", 'fix', $price * $size, unit: 'box');
            }
        }
    }

    private function adhesives(): void
    {
        $number = 300;

        foreach (['white', 'ivory', 'jasmine', 'silver grey', 'mid grey', 'charcoal', 'brown', 'black'] as $colour) {
            foreach (['1 kg' => 420, '3.5 kg' => 980, '10 kg' => 2240] as $size => $price) {
                $this->put('GR-'.++$number, "Grout, {$colour}, {$size}", 'adh', $price);
            }

            $this->put('SE-'.++$number, "Sealant, {$colour}, 310 ml", 'adh', 640);
        }

        foreach (
            [
                'Wall adhesive' => 1450,
                'Floor adhesive, flexible' => 2690,
                'Floor adhesive, rapid' => 2980,
                'Levelling compound' => 2550,
                'Primer' => 1120,
                'Wood glue' => 540,
                'Epoxy' => 1890,
            ] as $kind => $price
        ) {
            foreach (['small' => 55, 'trade' => 100, 'bulk' => 180] as $size => $large) {
                $this->put('AD-'.++$number, "{$kind}, {$size}", 'adh', intdiv($price * $large, 100));
            }
        }
    }

    private function paint(): void
    {
        $number = 700;

        foreach (
            [
                'Wall paint' => 1450,
                'Exterior paint' => 1980,
                'Wood stain' => 1620,
                'Floor paint' => 2250,
            ] as $kind => $price
        ) {
            foreach (['chalk', 'oat', 'clay', 'fern', 'lake', 'rust', 'soot', 'straw'] as $colour) {
                foreach (['1 l' => 60, '2.5 l' => 130, '5 l' => 230] as $size => $large) {
                    $this->put('PT-'.++$number, "{$kind}, {$colour}, {$size}", 'paint', intdiv($price * $large, 100));
                }
            }
        }
    }

    private function machines(): void
    {
        $number = 40;

        foreach (
            [
                'Tile cutter, hand' => 6900,
                'Tile saw, bench' => 18900,
                'Mixing drill' => 13400,
                'Angle grinder' => 8900,
                'Pipe cutter' => 3250,
                'Press tool' => 52000,
                'Laser level' => 14900,
                'Wet polisher' => 21500,
                'Plate compactor' => 88000,
                'Heat gun' => 5900,
            ] as $kind => $price
        ) {
            foreach (['light' => 70, 'standard' => 100, 'heavy' => 165] as $duty => $dear) {
                $this->put(
                    'MA-'.sprintf('%04d', ++$number),
                    "{$kind}, {$duty}",
                    'mach',
                    intdiv($price * $dear, 100),
                    netPrice: $dear === 165,
                );
            }
        }

        foreach (
            [
                'Trowel' => 1290,
                'Notched trowel' => 1450,
                'Rubber float' => 990,
                'Spirit level' => 2350,
                'Bucket' => 480,
                'Sponge' => 260,
                'Chisel' => 1180,
                'Club hammer' => 1690,
                'Tape measure' => 890,
                'Knee pads' => 2150,
            ] as $kind => $price
        ) {
            foreach (['', ', large'] as $size) {
                $this->put(
                    'TO-'.sprintf('%04d', ++$number),
                    $kind.$size,
                    'mach',
                    $size === '' ? $price : intdiv($price * 140, 100),
                );
            }
        }
    }

    private function sundries(): void
    {
        $number = 10;

        foreach (
            [
                'Safety goggles' => 890,
                'Work gloves' => 650,
                'Dust mask, box of 20' => 1850,
                'Dust sheet' => 720,
                'Masking tape' => 290,
                'Rubble sacks, roll' => 540,
                'First aid kit' => 2450,
                'Ear plugs, box' => 1290,
            ] as $kind => $price
        ) {
            $this->put(
                'SU-'.sprintf('%04d', ++$number),
                $kind,
                'sundry',
                $price,
                taxClass: str_contains($kind, 'First') || str_contains($kind, 'mask') ? 'reduced' : 'standard',
            );
        }

        foreach (['Drinking water, 1.5 l' => 95, 'Seed packet, meadow' => 240, 'Local map' => 650] as $kind => $price) {
            $this->put('SU-'.sprintf('%04d', ++$number), $kind, 'sundry', $price, taxClass: 'zero');
        }

        $this->put('DE-0001', 'Delivery within the county', 'sundry', 2500, netPrice: true);
    }

    /** @param  int  $price cents */
    private function put(
        string $code,
        string $description,
        string $department,
        int $price,
        string $unit = 'each',
        string $taxClass = 'standard',
        bool $netPrice = false,
    ): void {
        // The things of the known list are not made a second time by a family.
        if (in_array($description, array_column($this->items, 'description'), true)) {
            return;
        }

        $price = max(15, $price - ($price % 5));
        $body = '2'.sprintf('%011d', 40_000_000 + 37 * ++$this->serial);
        $cost = intdiv($price * $this->chance->between(48, 66), 100);
        $this->items[] = [
            'code' => $code,
            'barcode' => $unit === 'metre' ? null : $body.Gtin::checkDigit($body),
            'description' => $description,
            'department' => $department,
            'unit' => $unit,
            'price_per' => $unit === 'hundred' ? 100 : 1,
            'list_price' => self::decimal($price),
            'floor_price' => self::decimal(intdiv($price * 82, 100)),
            'cost' => self::decimal($cost),
            'tax_class' => $taxClass,
            'may_discount' => true,
            'net_price' => $netPrice,
        ];
    }

    public static function decimal(int $cents): string
    {
        return sprintf('%d.%02d', intdiv($cents, 100), $cents % 100);
    }
}
