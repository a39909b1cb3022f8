<?php

declare(strict_types=1);

namespace Elmstone\Books;

use Elmstone\Core\Settlement\TenderKind;
use Illuminate\Support\Facades\DB;

/** The accounts by their role. */
final class Accounts
{
    public const INVENTORY = 'inventory';

    public const COST_OF_GOODS = 'cost_of_goods';

    public const CASH_ROUNDING = 'cash_rounding';

    public const RECEIVABLES = 'receivables';

    public const SETTLEMENT_DISCOUNTS = 'settlement_discounts';

    public const FEES = 'fees';

    public const FINANCE_CHARGES = 'finance_charges';

    public const DEPOSITS_HELD = 'deposits_held';

    public const LAYAWAY_MONEY = 'layaway_money';

    public const ORDER_MONEY = 'order_money';

    public const FREIGHT = 'freight';

    public const SURCHARGES = 'surcharges';

    public const PLAN_CLEARING = 'plan_clearing';

    public const GIFT_CARDS = 'gift_cards';

    public const STORE_CREDIT = 'store_credit';

    public const WRITTEN_OFF = 'written_off';

    public const SUPPLIER_CLAIMS = 'supplier_claims';

    public const ALLOWANCES = 'allowances';

    public const GOODS_ON_WAY = 'goods_on_way';

    public const RECEIVED = 'goods_received';

    public const PAYABLES = 'payables';

    public const OWNERS = 'owed_to_owners';

    public const PRICE_DIFFERENCES = 'price_differences';

    public const BAD_DEBT = 'bad_debt';

    public const SMALL_DIFFERENCES = 'small_differences';

    public const ACCOUNT_TRANSFERS = 'account_transfers';

    public const REWARDS_GIVEN = 'rewards_given';

    public const RETAINED = 'retained_earnings';

    public const OPENING = 'opening_balances';

    public const STOCK_DIFFERENCES = 'stock_differences';

    public const BANK = 'bank';

    public const SAFE = 'cash_in_safe';

    public const ON_WAY = 'on_way_to_bank';

    public const COMMISSIONS = 'commissions';

    public const CARD_FEES = 'card_fees';

    public const BANK_DIFFERENCES = 'bank_differences';

    public const OVER_SHORT = 'over_short';

    public const CARD_DIFFERENCES = 'card_differences';

    public const EXCHANGE_CLEARING = 'exchange_clearing';

    /** What petty cash is spent on. */
    public const PETTY = [
        'petty_postage' => 'Postage',
        'petty_cleaning' => 'Cleaning',
        'petty_refreshments' => 'Refreshments',
        'petty_repairs' => 'Small repairs',
        'petty_travel' => 'Travel and parking',
        'petty_other' => 'Other small expenses',
    ];

    private const FIXED = [
        'cash' => 'Cash in till',
        self::SAFE => 'Cash in safe',
        'card_clearing' => 'Card clearing',
        'cheques' => 'Cheques',
        self::BANK => 'Bank',
        self::ON_WAY => 'On its way to the bank',
        self::CARD_FEES => 'Card fees',
        self::COMMISSIONS => 'Commissions',
        self::BANK_DIFFERENCES => 'Bank differences',
        self::RECEIVABLES => 'Receivables',
        self::INVENTORY => 'Inventory',
        self::PLAN_CLEARING => 'Payment plans, clearing',
        self::DEPOSITS_HELD => 'Deposits held',
        self::LAYAWAY_MONEY => 'Layaway money held',
        self::ORDER_MONEY => 'Order deposits held',
        self::STORE_CREDIT => 'Store credit owed',
        self::EXCHANGE_CLEARING => 'Goods brought back, clearing',
        self::SUPPLIER_CLAIMS => 'Goods back to suppliers',
        self::GOODS_ON_WAY => 'Goods on their way',
        self::RECEIVED => 'Goods received, not invoiced',
        self::PAYABLES => 'Owed to suppliers',
        self::OWNERS => 'Owed to owners of goods',
        self::PRICE_DIFFERENCES => 'Purchase price differences',
        self::OPENING => 'Opening balances',
        self::RETAINED => 'Retained earnings',
        self::GIFT_CARDS => 'Gift cards owed',
        self::FREIGHT => 'Freight and charges',
        self::FEES => 'Fees',
        self::SURCHARGES => 'Card surcharges',
        self::FINANCE_CHARGES => 'Finance charges',
        self::SETTLEMENT_DISCOUNTS => 'Settlement discounts allowed',
        self::COST_OF_GOODS => 'Cost of goods sold',
        self::ALLOWANCES => 'Goodwill and allowances',
        self::REWARDS_GIVEN => 'Rewards given',
        self::WRITTEN_OFF => 'Stock written off',
        self::STOCK_DIFFERENCES => 'Stock differences',
        self::OVER_SHORT => 'Cash over and short',
        self::CARD_DIFFERENCES => 'Card clearing differences',
        self::CASH_ROUNDING => 'Cash rounding',
        self::BAD_DEBT => 'Bad debt',
        self::SMALL_DIFFERENCES => 'Small differences',
        self::ACCOUNT_TRANSFERS => 'Between accounts, clearing',
    ];

    /**
     * Where a tender of a document stands. A cheque of the house's own is paid by the bank, as is one that the bank
     * takes back; one that is handed back is not. What is paid in to the bank comes from the safe.
     *
     * @param  bool  $goesOut whether the tenders of the document go out
     */
    public static function settling(Purpose $purpose, TenderKind $kind, bool $goesOut): string
    {
        return match (true) {
            $kind === TenderKind::Cash && in_array($purpose, Purpose::ofTheSafe(), true) => self::SAFE,
            $kind === TenderKind::Cheque && $goesOut && ! $purpose->movesCheques() => self::BANK,
            default => self::tender($kind),
        };
    }

    public static function tender(TenderKind $kind): string
    {
        return match ($kind) {
            TenderKind::Cash => 'cash',
            TenderKind::Card => 'card_clearing',
            TenderKind::Cheque => 'cheques',
            TenderKind::BankTransfer => self::BANK,
            TenderKind::GiftCard => self::GIFT_CARDS,
            TenderKind::StoreCredit => self::STORE_CREDIT,
            TenderKind::DepositHeld => self::DEPOSITS_HELD,
            TenderKind::HouseAccount => self::RECEIVABLES,
            TenderKind::LayawayMoney => self::LAYAWAY_MONEY,
            TenderKind::OrderMoney => self::ORDER_MONEY,
            TenderKind::Exchange => self::EXCHANGE_CLEARING,
        };
    }

    /**
     * @param  int|null  $department null: a fee, freight, or a surcharge
     * @param  string  $code of the line
     */
    public static function sales(?int $department, string $code = ''): string
    {
        return match (true) {
            $department !== null => "sales:{$department}",
            $code === LineColumns::FREIGHT => self::FREIGHT,
            $code === LineColumns::SURCHARGE => self::SURCHARGES,
            default => self::FEES,
        };
    }

    public static function tax(string $component): string
    {
        return "tax:{$component}";
    }

    /** Makes sure that every account a document can touch is there, and every series. */
    public static function open(): void
    {
        $rows = [];

        foreach ([...self::FIXED, ...self::PETTY] as $code => $name) {
            $rows[] = ['code' => $code, 'role' => $code, 'name' => $name];
        }

        foreach (DB::table('departments')->get(['id', 'name']) as $department) {
            $rows[] = [
                'code' => self::sales((int) $department->id),
                'role' => 'sales',
                'name' => "Sales, {$department->name}",
            ];
        }

        foreach (DB::table('tax_components')->get(['code', 'name']) as $component) {
            $rows[] = [
                'code' => self::tax((string) $component->code),
                'role' => 'tax_payable',
                'name' => "{$component->name} payable",
            ];
        }

        foreach ($rows as $row) {
            if (DB::table('accounts')->where('code', $row['code'])->doesntExist()) {
                [$number, $kind] = Chart::of($row['code'], $row['role']);
                DB::table('accounts')->insertOrIgnore([...$row, 'number' => $number, 'kind' => $kind->value]);
            }
        }

        DB::table('series')->insertOrIgnore(
            array_map(
                static fn (DocumentKind $kind): array => ['kind' => $kind->value, 'prefix' => $kind->prefix()],
                DocumentKind::cases(),
            ),
        );
    }
}
