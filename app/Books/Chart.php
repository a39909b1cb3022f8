<?php

declare(strict_types=1);

namespace Elmstone\Books;

use Illuminate\Support\Facades\DB;

/**
 * The chart of accounts as a house begins with it: number and kind of each. Numbers and names are the accountant's to
 * set. Common practice, no source: a thousand for each kind.
 */
final class Chart
{
    /** By account: number and kind. */
    private const FIXED = [
        'cash' => ['1000', AccountKind::Asset],
        Accounts::SAFE => ['1010', AccountKind::Asset],
        'cheques' => ['1020', AccountKind::Asset],
        'card_clearing' => ['1030', AccountKind::Asset],
        Accounts::ON_WAY => ['1040', AccountKind::Asset],
        Accounts::BANK => ['1050', AccountKind::Asset],
        Accounts::RECEIVABLES => ['1100', AccountKind::Asset],
        Accounts::PLAN_CLEARING => ['1110', AccountKind::Asset],
        Accounts::ACCOUNT_TRANSFERS => ['1120', AccountKind::Asset],
        Accounts::INVENTORY => ['1200', AccountKind::Asset],
        Accounts::GOODS_ON_WAY => ['1210', AccountKind::Asset],
        Accounts::SUPPLIER_CLAIMS => ['1220', AccountKind::Asset],
        Accounts::EXCHANGE_CLEARING => ['1290', AccountKind::Asset],
        Accounts::PAYABLES => ['2000', AccountKind::Liability],
        Accounts::RECEIVED => ['2010', AccountKind::Liability],
        Accounts::OWNERS => ['2020', AccountKind::Liability],
        Accounts::DEPOSITS_HELD => ['2100', AccountKind::Liability],
        Accounts::LAYAWAY_MONEY => ['2110', AccountKind::Liability],
        Accounts::ORDER_MONEY => ['2120', AccountKind::Liability],
        Accounts::STORE_CREDIT => ['2130', AccountKind::Liability],
        Accounts::GIFT_CARDS => ['2140', AccountKind::Liability],
        Accounts::OPENING => ['3000', AccountKind::Equity],
        Accounts::RETAINED => ['3100', AccountKind::Equity],
        Accounts::FREIGHT => ['4800', AccountKind::Income],
        Accounts::FEES => ['4810', AccountKind::Income],
        Accounts::FINANCE_CHARGES => ['4820', AccountKind::Income],
        Accounts::SURCHARGES => ['4830', AccountKind::Income],
        Accounts::SETTLEMENT_DISCOUNTS => ['4890', AccountKind::Income],
        Accounts::ALLOWANCES => ['4895', AccountKind::Income],
        Accounts::REWARDS_GIVEN => ['4896', AccountKind::Income],
        Accounts::COST_OF_GOODS => ['5000', AccountKind::Expense],
        Accounts::WRITTEN_OFF => ['5010', AccountKind::Expense],
        Accounts::STOCK_DIFFERENCES => ['5020', AccountKind::Expense],
        Accounts::PRICE_DIFFERENCES => ['5030', AccountKind::Expense],
        Accounts::CARD_FEES => ['6000', AccountKind::Expense],
        Accounts::COMMISSIONS => ['6010', AccountKind::Expense],
        Accounts::OVER_SHORT => ['6020', AccountKind::Expense],
        Accounts::CARD_DIFFERENCES => ['6030', AccountKind::Expense],
        Accounts::CASH_ROUNDING => ['6040', AccountKind::Expense],
        Accounts::BANK_DIFFERENCES => ['6050', AccountKind::Expense],
        Accounts::BAD_DEBT => ['6060', AccountKind::Expense],
        Accounts::SMALL_DIFFERENCES => ['6070', AccountKind::Expense],
        'petty_postage' => ['6100', AccountKind::Expense],
        'petty_cleaning' => ['6110', AccountKind::Expense],
        'petty_refreshments' => ['6120', AccountKind::Expense],
        'petty_repairs' => ['6130', AccountKind::Expense],
        'petty_travel' => ['6140', AccountKind::Expense],
        'petty_other' => ['6190', AccountKind::Expense],
    ];

    /** Where the numbers of what there are several of begin: sales by department, taxes by component. */
    private const SERIES = ['sales' => [4000, AccountKind::Income], 'tax_payable' => [2200, AccountKind::Liability]];

    /** What the house keeps by customer, card, item, drawer or department: nothing is entered on it by hand. */
    private const KEPT = [
        'cash', Accounts::SAFE, 'cheques', 'card_clearing', Accounts::ON_WAY, Accounts::RECEIVABLES,
        Accounts::PLAN_CLEARING, Accounts::ACCOUNT_TRANSFERS, Accounts::INVENTORY, Accounts::GOODS_ON_WAY,
        Accounts::EXCHANGE_CLEARING,
        Accounts::RECEIVED, Accounts::DEPOSITS_HELD, Accounts::LAYAWAY_MONEY, Accounts::ORDER_MONEY,
        Accounts::STORE_CREDIT, Accounts::GIFT_CARDS, Accounts::COMMISSIONS, Accounts::OWNERS,
    ];

    /** Whether an account is the sum of what is kept one by one. */
    public static function isKept(string $code): bool
    {
        return in_array($code, self::KEPT, true);
    }

    /** @return array{string, AccountKind} number and kind an account begins with */
    public static function of(string $code, string $role): array
    {
        if (isset(self::FIXED[$code])) {
            return self::FIXED[$code];
        }

        [$first, $kind] = self::SERIES[$role];
        $taken = DB::table('accounts')->where('role', $role)->pluck('number')->all();

        $number = $first;

        while (in_array((string) $number, $taken, true)) {
            $number += 10;
        }

        return [(string) $number, $kind];
    }
}
