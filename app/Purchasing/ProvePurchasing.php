<?php

declare(strict_types=1);

namespace Elmstone\Purchasing;

use Elmstone\Books\Accounts;
use Elmstone\Books\Document;
use Elmstone\Books\Figures\Balances;
use Elmstone\Books\Proof\Proof;
use Elmstone\Books\Proof\Topic;
use Elmstone\Books\Purpose;
use Elmstone\Core\Money\Money;
use Elmstone\Purchasing\Receiving\Delivery;
use Elmstone\Shop\House;
use Illuminate\Support\Facades\DB;

/**
 * Proves what is bought: goods received and not invoiced are the deliveries without an invoice and what came in without
 * an order; each line has had what its deliveries say; nothing is bought for somebody beyond what is still to come;
 * what is owed to suppliers is their invoices.
 */
final class ProvePurchasing implements Topic
{
    public function __construct(private readonly House $house, private readonly Balances $balances)
    {
    }

    public function inWords(): string
    {
        return 'Goods received, not invoiced, are the deliveries nobody has invoiced';
    }

    public function page(): string
    {
        return 'purchases';
    }

    public function prove(Proof $proof): void
    {
        $this->money($proof);

        foreach (
            DB::select(
                'SELECT p.label, l.position, l.received, COALESCE(d.quantity, 0) AS came FROM purchase_lines l '
                    .'JOIN purchases p ON p.id = l.purchase_id LEFT JOIN (SELECT v.purchase_id, x.position, '
                    .'SUM(x.quantity) AS quantity FROM delivery_lines x JOIN deliveries v ON v.document_id = '
                    .'x.document_id GROUP BY v.purchase_id, x.position) d ON d.purchase_id = l.purchase_id AND '
                    .'d.position = l.position WHERE l.received <> COALESCE(d.quantity, 0)',
            ) as $row
        ) {
            $proof->fault(
                "{$row->label} line {$row->position}: {$row->received} is here, its deliveries say {$row->came}",
            );
        }

        foreach (
            DB::select(
                'SELECT p.label, l.position FROM purchase_lines l JOIN purchases p ON p.id = l.purchase_id JOIN '
                    .'(SELECT purchase_id, position, SUM(quantity) AS quantity FROM purchase_links GROUP BY '
                    .'purchase_id, position) k ON k.purchase_id = l.purchase_id AND k.position = l.position '
                    .'WHERE k.quantity > GREATEST(l.quantity - l.received - l.cancelled, 0)',
            ) as $row
        ) {
            $proof->fault("{$row->label} line {$row->position}: more is bought for orders than is still to come");
        }

        foreach (
            DB::select(
                'SELECT p.label, p.state, SUM(GREATEST(l.quantity - l.received - l.cancelled, 0)) AS open FROM '
                    .'purchases p LEFT JOIN purchase_lines l ON l.purchase_id = p.id GROUP BY p.id, p.label, p.state '
                    ."HAVING (p.state IN ('done', 'cancelled')) <> (COALESCE(open, 0) = 0) AND p.state <> 'draft'",
            ) as $row
        ) {
            $proof->fault("{$row->label} is {$row->state}, and {$row->open} is still to come");
        }

        $proof->checked('purchases', DB::table('purchases')->count());
    }

    private function money(Proof $proof): void
    {
        $money = fn (mixed $minor): Money => $this->house->money(is_numeric($minor) ? (int) $minor : 0);
        $proof->same(
            Accounts::RECEIVED,
            'the deliveries without an invoice',
            $money(DB::table('deliveries')->whereNull('invoice_id')->sum('amount')),
            $this->balances->of(Accounts::RECEIVED)->plus($this->withoutOrder())->negated(),
        );
        $proof->same(
            Accounts::PAYABLES,
            'the invoices of suppliers',
            $money(DB::table('supplier_invoices')->sum('amount')),
            // What is paid to them is entered by hand.
            $this->balances->of(Accounts::PAYABLES)->minus($this->balances->byHand(Accounts::PAYABLES))->negated(),
        );
    }

    /** What came in and nobody ordered by a purchase. */
    private function withoutOrder(): Money
    {
        $sum = $this->house->money(0);

        foreach (
            Document::query()
                ->with('lines')
                ->where('purpose', Purpose::GoodsIn)
                ->whereNotIn('id', Delivery::query()->select('document_id'))
                ->lazyById(500) as $document
        ) {
            foreach ($document->lines->whereNotNull('item_id') as $line) {
                $sum = $sum->plus($line->cost);
            }
        }

        return $sum;
    }
}
