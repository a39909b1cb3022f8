<?php

declare(strict_types=1);

namespace Elmstone\Receivables\Letters;

use Carbon\CarbonImmutable;
use Elmstone\Paper\Pdf;
use Elmstone\Shop\House;
use Elmstone\Support\Show;

/** All that a reminder letter says, as plain data that is kept, and the paper made from it. */
final readonly class LetterPaper
{
    public function __construct(private House $house, private Pdf $pdf)
    {
    }

    /** @return array<string, mixed> */
    public function of(DueLetter $due, CarbonImmutable $day, CarbonImmutable $payBy, ?string $fee): array
    {
        $customer = $due->account->customer;
        $shop = $this->house->shop();

        return [
            'title' => $due->level->title(),
            'shop' => $shop->name,
            'to' => array_values(array_filter(
                [$customer->name, $customer->street, $customer->place()],
                static fn (string $line): bool => $line !== '',
            )),
            'account' => (string) $customer->number,
            'day' => Show::date($day),
            'words' => $due->level->words,
            'lines' => array_map(static fn (LateItem $late): array => [
                'number' => $late->item->label,
                'date' => Show::date($late->item->business_date),
                'due' => Show::date($late->item->due_date),
                'days' => $late->daysLate,
                'open' => Show::money($late->open),
            ], $due->items),
            'fee' => $due->level->fee->isZero() ? null : Show::money($due->level->fee),
            'fee_number' => $fee,
            'total' => Show::money($due->total()->plus($due->level->fee)),
            'currency' => $this->house->currency()->code,
            'pay_by' => Show::date($payBy),
            'bank_account' => $shop->bank_account,
            'foot' => $shop->paper_foot,
        ];
    }

    /** @param  iterable<Letter>  $letters each on a page of its own */
    public function pdf(iterable $letters): string
    {
        return $this->pdf->a4(view('letters.paper', ['pdf' => true, 'letters' => $letters])->render());
    }
}
