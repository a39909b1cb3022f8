<?php

declare(strict_types=1);

namespace Elmstone\Purchasing\Suppliers;

use Carbon\CarbonImmutable;
use Elmstone\Books\Books;
use Elmstone\Books\DocumentKind;
use Elmstone\Books\Drafts\DocumentDraft;
use Elmstone\Books\Drafts\MoneyEntry;
use Elmstone\Books\Drafts\Party;
use Elmstone\Books\Drafts\PostedAt;
use Elmstone\Books\Posting;
use Elmstone\Books\Purpose;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Refused;
use Elmstone\Core\Slip\Reckoner;
use Elmstone\Core\Slip\Slip;
use Elmstone\Core\Tax\TaxProfile;
use Elmstone\Purchasing\Receiving\Delivery;
use Elmstone\Shop\House;
use Elmstone\Shop\Till;
use Elmstone\Staff\Staff;
use Elmstone\Support\ShopTime;
use Illuminate\Support\Facades\DB;
use Ramsey\Uuid\Uuid;

/**
 * A supplier's invoice: what came in and was owed to nobody yet is owed to them; what it is above or below what came in
 * is a purchase price difference. docs/rules.md, "Goods in".
 */
final class TakeInvoice
{
    public function __construct(private readonly Books $books, private readonly House $house)
    {
    }

    /**
     * @param  list<int>  $deliveries documents by which its goods came in, one or more
     * @param  Money  $amount what it asks, without tax that is got back
     * @param  bool  $isSeen that it differs from what came in, and is meant so
     * @param  string  $key the same key posts once
     *
     * @throws Refused number_missing, invoiced_already, nothing_chosen, another_supplier, differs, bad_amount,
     *     day_closed, dated_ahead
     */
    public function handle(
        Supplier $supplier,
        array $deliveries,
        string $number,
        CarbonImmutable $dated,
        Money $amount,
        bool $isSeen,
        Till $till,
        Staff $by,
        string $key,
    ): SupplierInvoice {
        $number === '' && throw Refused::because('number_missing', 'Type the number of the supplier’s invoice.');
        $amount->isPositive() || throw Refused::because('bad_amount', 'Type what the invoice comes to.');
        $dated->greaterThan(ShopTime::today())
            && throw Refused::because('dated_ahead', 'The invoice is dated after today. Look at its date again.');
        $deliveries = array_values(array_unique($deliveries));
        sort($deliveries);

        $document = $this->books->post(
            Posting::under($key)
                ->locking(static fn () => Delivery::query()
                    ->whereKey($deliveries)
                    ->orderBy('document_id')
                    ->lockForUpdate()
                    ->get())
                ->writing(fn ($locked): int => $this->write(
                    $supplier, array_values($locked->all()), $number, $dated, $amount, $isSeen,
                    PostedAt::till($till, $by->id, ShopTime::today()), $key,
                )),
        );

        return SupplierInvoice::query()->where('document_id', $document)->firstOrFail();
    }

    /** @param  list<Delivery>  $deliveries */
    private function write(
        Supplier $supplier,
        array $deliveries,
        string $number,
        CarbonImmutable $dated,
        Money $amount,
        bool $isSeen,
        PostedAt $at,
        string $key,
    ): int {
        $deliveries === [] && throw Refused::because('nothing_chosen', 'Tick the deliveries it is for.');
        $came = $this->house->money(0);

        foreach ($deliveries as $delivery) {
            match (true) {
                $delivery->purchase()->value('supplier_id') !== $supplier->id => throw Refused::because(
                    'another_supplier',
                    'One of these deliveries came from another supplier.',
                ),
                $delivery->invoice_id !== null => throw Refused::because(
                    'invoiced_already',
                    'One of these deliveries is invoiced already. Look again.',
                ),
                default => null,
            };
            $came = $came->plus($delivery->amount);
        }

        SupplierInvoice::query()->where('supplier_id', $supplier->id)->where('number', $number)->exists()
            && throw Refused::because('invoiced_already', "Invoice {$number} of {$supplier->name} is here already.");
        $off = $amount->minus($came);
        $off->isZero() || $isSeen || throw Refused::because(
            'differs',
            "The goods came in at {$came->toString()}; the invoice asks {$amount->toString()}, "
                ."{$off->abs()->toString()} ".($off->isPositive() ? 'more' : 'less')
                .'. Tick that the difference is accepted, or ask the supplier.',
        );
        $document = $this->post(Purpose::SupplierInvoice, $came, $at, $key, $supplier, $number);
        $off->isZero() || $this->post(
            $off->isPositive() ? Purpose::SupplierOver : Purpose::SupplierUnder,
            $off->abs(),
            $at,
            Uuid::uuid5(Uuid::fromString($key), 'difference')->toString(),
            $supplier,
            $number,
            $document,
        );
        $invoice = SupplierInvoice::query()->create([
            'supplier_id' => $supplier->id,
            'number' => mb_substr($number, 0, 40),
            'dated' => $dated,
            'amount' => $amount,
            'document_id' => $document,
        ]);
        DB::table('deliveries')
            ->whereIn('document_id', array_map(static fn (Delivery $one): int => $one->document_id, $deliveries))
            ->update(['invoice_id' => $invoice->id]);

        return $document;
    }

    private function post(
        Purpose $purpose,
        Money $amount,
        PostedAt $at,
        string $key,
        Supplier $supplier,
        string $number,
        ?int $refersTo = null,
    ): int {
        $terms = $this->house->taxTerms();
        $nothing = Reckoner::reckon(Slip::of($this->house->currency(), $terms, TaxProfile::of(), []));

        return $this->books->document(
            DocumentDraft::of(DocumentKind::Adjustment, $at, $key, $terms, $nothing)
                ->moving(MoneyEntry::ofSupplier($purpose, $amount))
                ->to(new Party(null, $supplier->name))
                ->referringTo($refersTo)
                ->noting(mb_substr("{$supplier->name}, invoice {$number}", 0, 255)),
        );
    }
}
