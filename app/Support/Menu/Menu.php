<?php

declare(strict_types=1);

namespace Elmstone\Support\Menu;

use Illuminate\Contracts\Auth\Access\Authorizable;
use Illuminate\Support\Facades\Route;

/**
 * Where the pages of the house are: one row of words by what people are doing, and under each the pages it has. What
 * somebody may not see does not stand there.
 */
final class Menu
{
    /** By word: label, route it leads to, ability, and by what the names of its pages' routes begin. */
    private const WORDS = [
        'Counter' => [['Counter', 'counter', 'sell', ['counter', 'waiting']]],
        'Customers' => [['Customers', 'customers', 'see-customers', ['customers', 'credit-notes']]],
        'Accounts' => [
            ['Ageing', 'accounts', 'see-ageing', ['accounts']],
            ['Cheques', 'accounts.cheques', 'take-payments', ['accounts.cheques']],
            ['Bank', 'bank', 'interchange', ['bank']],
            ['Paid by link', 'link-payments', 'take-payments', ['link-payments']],
            ['Statements', 'statements', 'run-statements', ['statements']],
            ['Calls', 'accounts.calls', 'take-payments', ['accounts.calls']],
            ['Forecast', 'forecast', 'see-ageing', ['forecast']],
            ['Finance charges', 'finance-charges', 'run-statements', ['finance-charges']],
            ['Reminder letters', 'letters', 'run-statements', ['letters']],
        ],
        'Promised' => [
            ['Layaways', 'layaways', 'see-layaways', ['layaways']],
            ['Orders', 'orders', 'see-orders', ['orders']],
            ['From the web', 'web-orders', 'see-orders', ['web-orders']],
            ['Quotes', 'quotes', 'see-orders', ['quotes']],
            ['Deliveries', 'deliveries', 'see-orders', ['deliveries', 'vehicles']],
            ['Payment plans', 'plans', 'see-layaways', ['plans']],
            ['Deposits', 'deposits', 'see-layaways', ['deposits']],
            ['What is due', 'due', 'take-payments', ['due']],
            ['Reminders', 'reminders', 'take-payments', ['reminders']],
        ],
        'Goods' => [
            ['Items', 'items', 'see-items', ['items']],
            ['Families', 'families', 'see-items', ['families']],
            ['Markdowns', 'markdowns', 'edit-prices', ['markdowns']],
            ['Labels', 'labels', 'see-items', ['labels']],
            ['To buy', 'to-buy', 'buy-goods', ['to-buy']],
            ['Purchases', 'purchases', 'see-orders', ['purchases']],
            ['Transfers', 'transfers', 'receive-goods', ['transfers']],
            ['Suppliers', 'suppliers', 'buy-goods', ['suppliers']],
            ['Owners', 'owners', 'buy-goods', ['owners']],
            ['Write-offs', 'write-offs', 'write-off', ['write-offs']],
        ],
        'Day' => [
            ['Today', 'today', 'see-day', ['today']],
            ['Till', 'till', 'count-till', ['till']],
            ['Devices used', 'till.devices', 'sell', ['till.devices']],
            ['Safe and bank', 'safe', 'bank', ['safe']],
            ['Day’s takings', 'takings', 'take-payments', ['takings']],
            ['Day sheet', 'day', 'see-day', ['day']],
            ['Calendar', 'calendar', 'see-day', ['calendar']],
        ],
        'Books' => [
            ['Documents', 'documents', 'see-documents', ['documents']],
            ['Reports', 'reports', 'see-day', ['reports']],
            ['Ledger', 'ledger', 'see-ledger', ['ledger']],
            ['Auditor', 'auditor', 'audit', ['auditor']],
            ['Who sold what', 'shares', 'see-shares', ['shares']],
            ['Gift cards', 'gift-cards', 'see-credits', ['gift-cards']],
            ['Store credit', 'store-credit', 'see-credits', ['store-credit']],
            ['Rewards', 'rewards', 'see-credits', ['rewards']],
            ['Coupons', 'coupons', 'see-credits', ['coupons']],
        ],
        'House' => [
            ['People', 'staff', 'manage-staff', ['staff']],
            ['Rights', 'rights', 'manage-staff', ['rights']],
            ['Limits', 'limits', 'manage-staff', ['limits']],
            ['Data in and out', 'tables', 'interchange', ['tables']],
            ['Settings', 'settings', 'set-house-terms', [
                'settings', 'till.terms', 'layaways.terms', 'orders.terms', 'return-rules', 'surcharges',
                'shares.rates', 'customers.types',
            ]],
            ['How it runs', 'running', 'see-running', ['running']],
            ['Security log', 'security-log', 'manage-staff', ['security-log']],
            ['Devices', 'devices', 'play-devices', ['devices', 'design']],
        ],
    ];

    /** Only where the devices are played. */
    private const STAND_INS = ['devices'];

    /** @return list<MenuWord> those somebody may see, with the pages they may see */
    public static function of(Authorizable $person, ?string $route): array
    {
        $here = self::here($route ?? '');
        $words = [];

        foreach (self::WORDS as $name => $pages) {
            $shown = [];

            foreach ($pages as [$label, $leads, $ability]) {
                self::isThere($leads) && $person->can($ability)
                    && ($shown[] = new MenuPage($label, $leads, $here === $leads));
            }

            $shown === [] || ($words[] = new MenuWord($name, $shown));
        }

        return $words;
    }

    /** The page that a route's name belongs to, the one that says most of it. */
    private static function here(string $route): string
    {
        [$here, $longest] = ['', 0];

        foreach (self::WORDS as $pages) {
            foreach ($pages as [, $leads, , $begins]) {
                foreach ($begins as $begin) {
                    $fits = $route === $begin || str_starts_with($route, "{$begin}.");
                    $fits && strlen($begin) > $longest && ([$here, $longest] = [$leads, strlen($begin)]);
                }
            }
        }

        return $here;
    }

    private static function isThere(string $route): bool
    {
        return Route::has($route)
            && (! in_array($route, self::STAND_INS, true) || config('house.stand_ins') === true);
    }
}
