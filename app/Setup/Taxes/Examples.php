<?php

declare(strict_types=1);

namespace Elmstone\Setup\Taxes;

/**
 * Taxes to start from, ready to be changed. Sources, from memory; rates are for whoever sets up to look up:
 * value added tax: the German Umsatzsteuergesetz, § 12(1) and § 12(2), within Council Directive 2006/112/EC, articles
 * 97 and 98; goods and services tax: A New Tax System (Goods and Services Tax) Act 1999 of Australia, s 9-70; a sales
 * tax of state and county: common practice in the United States, no source, with made-up rates.
 */
final class Examples
{
    /** Words by key. */
    public const ALL = [
        'us' => 'State and county sales tax',
        'vat' => 'Value added tax, two rates',
        'gst' => 'Goods and services tax, one rate',
    ];

    public const SOURCES = [
        'us' => 'Made-up rates: put in those of your state and county. Prices are usually without tax.',
        'vat' => 'German UStG § 12(1) 19 % and § 12(2) 7 %, within Directive 2006/112/EC, art. 97 and 98. Prices in '
            .'shops usually have tax in them.',
        'gst' => 'Australian GST Act 1999, s 9-70: 10 %. Prices in shops usually have tax in them.',
    ];

    /** @return array{profiles: list<array<string, mixed>>}|null null: there is no such example */
    public static function of(string $key): ?array
    {
        $profile = match ($key) {
            'us' => [
                'Main place', [['State tax', '5.75', ['standard']], ['County tax', '1.5', ['standard', 'reduced']]],
            ],
            'vat' => ['VAT', [['VAT', '19', ['standard']], ['VAT, reduced', '7', ['reduced']]]],
            'gst' => ['GST', [['GST', '10', ['standard', 'reduced']]]],
            default => null,
        };

        return $profile === null ? null : ['profiles' => [[
            'name' => $profile[0],
            'components' => array_map(static fn (array $tax): array => [
                'name' => $tax[0], 'rate' => $tax[1], 'classes' => $tax[2], 'on_top' => '', 'changes' => [],
            ], $profile[1]),
        ]]];
    }
}
