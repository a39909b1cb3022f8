<?php

declare(strict_types=1);

namespace Elmstone\Tests;

use PHPat\Selector\Selector;
use PHPat\Test\Builder\Rule;
use PHPat\Test\PHPat;

/** The rules of the house: arrows point inward. Run by static analysis. */
final class HouseRulesTest
{
    /** Room: the rooms it may use, besides the core and PHP. */
    private const NEIGHBOURS = [
        'Shop' => [],
        'Staff' => ['Shop'],
        'Catalogue' => ['Shop', 'Staff', 'Foundation'],
        'Books' => ['Shop', 'Staff', 'Foundation'],
        'Devices' => ['Shop', 'Staff', 'Foundation'],
        'Cards' => ['Devices', 'Books', 'Shop', 'Staff', 'Foundation'],
        'MoneyOut' => ['Cards', 'Books', 'Shop', 'Staff', 'Foundation'],
        'Paper' => ['Books', 'Devices', 'Shop', 'Staff', 'Foundation'],
        'Customers' => ['Books', 'Catalogue', 'Shop', 'Staff', 'Foundation'],
        'Receivables' => ['MoneyOut', 'Cards', 'Customers', 'Books', 'Catalogue', 'Devices', 'Paper', 'Shop', 'Staff', 'Foundation'],
        'Deposits' => ['MoneyOut', 'Cards', 'Receivables', 'Customers', 'Books', 'Paper', 'Shop', 'Staff', 'Foundation'],
        'Layaways' => ['MoneyOut', 'Cards', 'Deposits', 'Receivables', 'Customers', 'Books', 'Catalogue', 'Devices', 'Paper', 'Shop', 'Staff', 'Foundation'],
        'Plans' => ['Receivables', 'Customers', 'Books', 'Devices', 'Paper', 'Shop', 'Staff', 'Foundation'],
        'Reminders' => ['Layaways', 'Plans', 'Receivables', 'Customers', 'Books', 'Devices', 'Paper', 'Shop', 'Staff', 'Foundation'],
        'StoreCredit' => ['MoneyOut', 'Receivables', 'Customers', 'Books', 'Paper', 'Shop', 'Staff', 'Foundation'],
        'GiftCards' => ['Receivables', 'MoneyOut', 'Customers', 'Books', 'Paper', 'Shop', 'Staff', 'Foundation'],
        'Coupons' => ['Catalogue', 'Books', 'Shop', 'Staff', 'Foundation'],
        'Stock' => ['Catalogue', 'Books', 'Shop', 'Staff', 'Foundation'],
        'Returns' => ['Stock', 'MoneyOut', 'Cards', 'StoreCredit', 'GiftCards', 'Layaways', 'Receivables', 'Customers', 'Books', 'Catalogue', 'Paper', 'Shop', 'Staff', 'Foundation'],
        'Interchange' => ['Receivables', 'Customers', 'Books', 'Catalogue', 'Paper', 'Shop', 'Staff', 'Foundation'],
        'Counter' => ['Stock', 'Plans', 'MoneyOut', 'Cards', 'Returns', 'Coupons', 'GiftCards', 'StoreCredit', 'Layaways', 'Deposits', 'Receivables', 'Customers', 'Books', 'Catalogue', 'Devices', 'Paper', 'Shop', 'Staff', 'Foundation'],
    ];

    private const ROOMS = ['Shop', 'Stock', 'Staff', 'Catalogue', 'Books', 'Devices', 'Cards', 'MoneyOut', 'Paper', 'Customers', 'Receivables', 'Deposits', 'Layaways', 'Plans', 'Reminders', 'StoreCredit', 'GiftCards', 'Coupons', 'Returns', 'Interchange', 'Counter'];

    public function test_the_core_knows_nothing_but_brick_math(): Rule
    {
        return PHPat::rule()
            ->classes(Selector::inNamespace('Elmstone\Core'))
            ->shouldNotDependOn()
            ->classes(Selector::AllOf(Selector::inNamespace('/^(Elmstone|Illuminate|Symfony|Carbon|Dompdf|Ramsey)(\\\\|$)/', true), Selector::Not(Selector::inNamespace('Elmstone\Core'))))
            ->because('the core is tested and used alone');
    }

    /** @return iterable<string, Rule> */
    public function test_a_room_uses_only_its_neighbours(): iterable
    {
        foreach (self::NEIGHBOURS as $room => $neighbours) {
            $strangers = array_values(array_diff([...self::ROOMS, 'Demo', 'Tests'], $neighbours, [$room]));

            yield $room => PHPat::rule()
                ->classes(Selector::inNamespace("Elmstone\\{$room}"))
                ->shouldNotDependOn()
                ->classes(...array_map(static fn (string $stranger) => Selector::inNamespace("Elmstone\\{$stranger}"), $strangers))
                ->because("the {$room} room's neighbours are ".implode(', ', $neighbours === [] ? ['none'] : $neighbours));
        }
    }

    /** The roof carries the rooms and stands on none: only where the house is wired, and its commands, are they named. */
    public function test_the_roof_stands_on_no_room(): Rule
    {
        return PHPat::rule()
            ->classes(Selector::inNamespace('Elmstone\Foundation'))
            ->excluding(Selector::inNamespace('Elmstone\Foundation\Providers'), Selector::inNamespace('Elmstone\Foundation\Console'))
            ->shouldNotDependOn()
            ->classes(...array_map(static fn (string $room) => Selector::inNamespace("Elmstone\\{$room}"), [...self::ROOMS, 'Demo', 'Tests', 'Bench']))
            ->because('what every room uses cannot lean on one of them');
    }

    public function test_only_the_register_writes_the_books(): Rule
    {
        return PHPat::rule()
            ->classes(Selector::inNamespace('Elmstone'))
            ->excluding(Selector::inNamespace('Elmstone\Books'), Selector::inNamespace('Elmstone\Tests'))
            ->shouldNotDependOn()
            ->classes(Selector::classname('Elmstone\Books\DocumentRows'), Selector::classname('Elmstone\Books\SaleJournal'), Selector::classname('Elmstone\Books\MoneyJournal'))
            ->because('documents and journals have one writer');
    }
}
