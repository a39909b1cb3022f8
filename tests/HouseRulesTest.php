<?php

declare(strict_types=1);

namespace Elmstone\Tests;

use Elmstone\Books\Register;
use PHPat\Selector\Selector;
use PHPat\Selector\SelectorInterface;
use PHPat\Test\Builder\Rule;
use PHPat\Test\PHPat;

/** The rules of the house: arrows point inward. Run by static analysis. */
final class HouseRulesTest
{
    /** Room: the rooms it may use, besides the core and PHP. */
    private const NEIGHBOURS = [
        'Shop' => ['Support'],
        'Staff' => ['Shop', 'Support'],
        'Work' => ['Staff', 'Shop', 'Support'],
        'Attachments' => ['Staff', 'Support'],
        'Catalogue' => ['Attachments', 'Shop', 'Staff', 'Support'],
        'Books' => ['Attachments', 'Shop', 'Staff', 'Support'],
        'Devices' => ['Shop', 'Staff', 'Support'],
        'Cards' => ['Devices', 'Books', 'Shop', 'Staff', 'Support'],
        'MoneyOut' => ['Cards', 'Books', 'Shop', 'Staff', 'Support'],
        'Paper' => ['Books', 'Devices', 'Shop', 'Staff', 'Support'],
        'Customers' => ['Attachments', 'Books', 'Catalogue', 'Shop', 'Staff', 'Support'],
        'Receivables' => [
            'Work', 'MoneyOut', 'Cards', 'Customers', 'Books', 'Catalogue', 'Devices', 'Paper', 'Shop', 'Staff',
            'Support',
        ],
        'KeptCards' => ['Cards', 'Receivables', 'Customers', 'Books', 'Devices', 'Shop', 'Staff', 'Support'],
        'Held' => ['MoneyOut', 'Cards', 'Receivables', 'Customers', 'Books', 'Paper', 'Shop', 'Staff', 'Support'],
        'Rewards' => [
            'Receivables', 'Held', 'Customers', 'Catalogue', 'Books', 'Paper', 'Shop', 'Staff', 'Support',
        ],
        'Shares' => ['MoneyOut', 'Receivables', 'Catalogue', 'Books', 'Shop', 'Staff', 'Support'],
        'Agreements' => [
            'MoneyOut', 'Held', 'Receivables', 'Customers', 'Books', 'Catalogue', 'Shop', 'Staff', 'Support',
        ],
        'Layaways' => [
            'Agreements', 'Shares', 'MoneyOut', 'Cards', 'Held', 'Receivables', 'Customers', 'Books', 'Catalogue',
            'Devices', 'Paper', 'Shop', 'Staff', 'Support',
        ],
        'Plans' => ['Receivables', 'Customers', 'Books', 'Devices', 'Paper', 'Shop', 'Staff', 'Support'],
        'Reminders' => [
            'Layaways', 'Agreements', 'Plans', 'Receivables', 'Customers', 'Books', 'Devices', 'Paper', 'Shop',
            'Staff', 'Support',
        ],
        'Coupons' => ['Catalogue', 'Books', 'Shop', 'Staff', 'Support'],
        'Stock' => ['Catalogue', 'Books', 'Shop', 'Staff', 'Support'],
        'Labels' => ['Catalogue', 'Paper', 'Shop', 'Staff', 'Support'],
        'Purchasing' => [
            'Labels', 'Stock', 'MoneyOut', 'Catalogue', 'Books', 'Devices', 'Paper', 'Shop', 'Staff', 'Support',
        ],
        'Consignment' => [
            'Purchasing', 'Labels', 'Stock', 'MoneyOut', 'Held', 'Customers', 'Books', 'Catalogue', 'Paper', 'Shop',
            'Staff', 'Support',
        ],
        'Orders' => [
            'Attachments', 'Purchasing', 'Stock', 'Agreements', 'Shares', 'MoneyOut', 'Held', 'Receivables',
            'Customers', 'Books',
            'Catalogue', 'Devices', 'Paper', 'Shop', 'Staff', 'Support',
        ],
        'Deliveries' => [
            'Orders', 'Agreements', 'Customers', 'Books', 'Catalogue', 'Paper', 'Shop', 'Staff', 'Support',
        ],
        'Quotes' => [
            'Orders', 'Agreements', 'Receivables', 'Customers', 'Books', 'Catalogue', 'Devices', 'Paper', 'Shop',
            'Staff', 'Support',
        ],
        'WebOrders' => [
            'Orders', 'Agreements', 'MoneyOut', 'Receivables', 'Customers', 'Books', 'Catalogue', 'Devices', 'Shop',
            'Staff', 'Support',
        ],
        'Tills' => ['MoneyOut', 'Cards', 'Devices', 'Paper', 'Books', 'Shop', 'Staff', 'Support'],
        'Returns' => [
            'Takings', 'Stock', 'MoneyOut', 'Cards', 'Held', 'Layaways', 'Agreements', 'Receivables', 'Customers',
            'Books',
            'Catalogue',
            'Paper', 'Shop', 'Staff', 'Support',
        ],
        'Ledger' => ['Tills', 'MoneyOut', 'Customers', 'Books', 'Shop', 'Staff', 'Support'],
        'Interchange' => [
            'Work', 'Tills', 'Receivables', 'Customers', 'Books', 'Catalogue', 'Paper', 'Shop', 'Staff', 'Support',
        ],
        'Takings' => [
            'Interchange', 'Shares', 'Customers', 'Catalogue', 'Books', 'Shop', 'Staff', 'Support',
        ],
        'PayLinks' => [
            'Tills', 'Orders', 'Plans', 'Receivables', 'Cards', 'Devices', 'Customers', 'Paper', 'Books', 'Shop',
            'Staff', 'Support',
        ],
        'Counter' => [
            'PayLinks', 'Attachments', 'Tills', 'Quotes', 'Orders', 'Purchasing', 'Stock', 'Plans', 'Shares',
            'MoneyOut',
            'Cards', 'KeptCards', 'Returns', 'Takings',
            'Coupons', 'Held', 'Layaways', 'Agreements', 'Receivables', 'Customers', 'Books', 'Catalogue', 'Devices',
            'Paper', 'Shop', 'Staff', 'Support',
        ],
        'Reports' => [
            'Ledger', 'Tills', 'Returns', 'Purchasing', 'Stock', 'Shares', 'Held', 'Receivables', 'Customers', 'Books',
            'Catalogue', 'Devices', 'Shop', 'Staff', 'Support',
        ],
        'Setup' => ['Returns', 'Books', 'Catalogue', 'Shop', 'Staff', 'Support'],
        'Upkeep' => ['Work', 'Books', 'Paper', 'Shop', 'Staff', 'Support'],
    ];

    /** Part of the core: the parts it may use. */
    private const CORE = [
        'Money' => [],
        'Proof' => [],
        'Approvals' => ['Money'],
        'Catalogue' => ['Money'],
        'Credits' => ['Money'],
        'Layaway' => ['Money'],
        'Ledger' => ['Money'],
        'Pricing' => ['Money'],
        'Receivables' => ['Money'],
        'Settlement' => ['Money'],
        'Rewards' => ['Money'],
        'Consignment' => ['Money'],
        'Shares' => ['Money'],
        'Forecast' => ['Money'],
        'Tax' => ['Money'],
        'Till' => ['Money'],
        'Slip' => ['Money', 'Tax'],
        'Orders' => ['Money', 'Slip', 'Tax'],
        'Purchasing' => ['Money'],
        'Returns' => ['Money', 'Slip', 'Tax'],
        'Reckon' => [
            'Money', 'Catalogue', 'Consignment', 'Forecast', 'Layaway', 'Orders', 'Pricing', 'Purchasing',
            'Receivables', 'Returns', 'Rewards', 'Settlement', 'Shares', 'Slip', 'Tax', 'Till',
        ],
    ];

    /** @return array<string, list<string>> every room, and what it may use */
    public static function neighbours(): array
    {
        return self::NEIGHBOURS;
    }

    /** @return array<string, list<string>> every part of the core, and what it may use */
    public static function core(): array
    {
        return self::CORE;
    }

    /** @return iterable<string, Rule> */
    public function test_a_part_of_the_core_uses_only_what_it_stands_on(): iterable
    {
        foreach (self::CORE as $part => $below) {
            yield $part => PHPat::rule()
                ->classes(Selector::inNamespace("Elmstone\\Core\\{$part}"))
                ->shouldNotDependOn()
                ->classes(
                    ...self::rooms(
                        array_map(
                            static fn (string $stranger): string => "Core\\{$stranger}",
                            array_values(array_diff(array_keys(self::CORE), $below, [$part])),
                        ),
                    ),
                )
                ->because("in the core, {$part} stands on ".implode(', ', $below === [] ? ['nothing'] : $below));
        }
    }

    public function test_documents_are_written_by_the_books_only(): Rule
    {
        return PHPat::rule()
            ->classes(
                Selector::AllOf(
                    Selector::inNamespace('Elmstone'),
                    Selector::Not(Selector::inNamespace('Elmstone\Books')),
                    Selector::Not(Selector::inNamespace('Elmstone\Demo')),
                    Selector::Not(Selector::inNamespace('Elmstone\Bench')),
                    Selector::Not(Selector::inNamespace('Elmstone\Tests')),
                ),
            )
            ->shouldNotDependOn()
            ->classes(Selector::classname(Register::class))
            ->because('whatever is posted is posted by Books::post');
    }

    public function test_the_core_knows_nothing_but_brick_math(): Rule
    {
        return PHPat::rule()
            ->classes(Selector::inNamespace('Elmstone\Core'))
            ->shouldNotDependOn()
            ->classes(
                Selector::AllOf(
                    Selector::inNamespace('/^(Elmstone|Illuminate|Symfony|Carbon|Dompdf|Ramsey)(\\\\|$)/', true),
                    Selector::Not(Selector::inNamespace('Elmstone\Core')),
                ),
            )
            ->because('the core is tested and used alone');
    }

    /** @return iterable<string, Rule> */
    public function test_a_room_uses_only_its_neighbours(): iterable
    {
        foreach (self::NEIGHBOURS as $room => $neighbours) {
            $strangers = array_values(
                array_diff([...self::allRooms(), 'Foundation', 'Demo', 'Tests', 'Bench'], $neighbours, [$room]),
            );

            yield $room => PHPat::rule()
                ->classes(Selector::inNamespace("Elmstone\\{$room}"))
                ->shouldNotDependOn()
                ->classes(
                    ...array_map(
                        static fn (string $stranger) => Selector::inNamespace("Elmstone\\{$stranger}"),
                        $strangers,
                    ),
                )
                ->because(
                    "the {$room} room's neighbours are ".implode(', ', $neighbours),
                );
        }
    }

    /** The floor: everyone stands on it, and it on nothing but the core. */
    public function test_the_floor_stands_on_no_room(): Rule
    {
        return PHPat::rule()
            ->classes(Selector::inNamespace('Elmstone\Support'))
            ->shouldNotDependOn()
            ->classes(...self::rooms([...self::allRooms(), 'Foundation', 'Demo', 'Tests', 'Bench']))
            ->because('what every room uses cannot lean on one of them');
    }

    /** The roof: it may name every room but the counter, and nobody names it. */
    public function test_nothing_stands_on_the_roof_or_the_counter(): Rule
    {
        return PHPat::rule()
            ->classes(Selector::inNamespace('Elmstone'))
            ->excluding(...self::rooms(['Foundation', 'Counter', 'Demo', 'Tests', 'Bench']))
            ->shouldNotDependOn()
            ->classes(...self::rooms(['Foundation', 'Counter', 'Demo', 'Tests', 'Bench']))
            ->because('the roof carries nothing, and the counter is where all comes together');
    }

    public function test_the_roof_does_not_name_the_counter(): Rule
    {
        return PHPat::rule()
            ->classes(Selector::inNamespace('Elmstone\Foundation'))
            ->excluding(Selector::inNamespace('Elmstone\Foundation\Console'))
            ->shouldNotDependOn()
            ->classes(...self::rooms(['Counter', 'Tests', 'Bench']))
            ->because('the roof is over all rooms alike');
    }

    /** @return list<string> */
    private static function allRooms(): array
    {
        return array_keys(self::NEIGHBOURS);
    }

    /**
     * @param  list<string>  $names
     * @return list<SelectorInterface>
     */
    private static function rooms(array $names): array
    {
        return array_map(static fn (string $room) => Selector::inNamespace("Elmstone\\{$room}"), $names);
    }

    public function test_only_the_register_writes_the_books(): Rule
    {
        return PHPat::rule()
            ->classes(Selector::inNamespace('Elmstone'))
            ->excluding(Selector::inNamespace('Elmstone\Books'), Selector::inNamespace('Elmstone\Tests'))
            ->shouldNotDependOn()
            ->classes(
                Selector::classname('Elmstone\Books\Drafts\DocumentRows'),
                Selector::classname('Elmstone\Books\Drafts\SaleJournal'),
                Selector::classname('Elmstone\Books\Drafts\MoneyJournal'),
            )
            ->because('documents and journals have one writer');
    }
}
