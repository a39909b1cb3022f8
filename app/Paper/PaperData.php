<?php

declare(strict_types=1);

namespace Elmstone\Paper;

use Elmstone\Books\Document;
use Elmstone\Books\Drafts\Exempted;
use Elmstone\Books\Practice;
use Elmstone\Shop\House;
use Elmstone\Shop\Settings;
use Illuminate\Support\Facades\DB;

/** Everything a paper says, the same for screen, printer and PDF. */
final readonly class PaperData
{
    /** @param  iterable<Annotates>  $others who has something to add */
    public function __construct(
        private House $house,
        private Settings $settings,
        private Practice $practice,
        private iterable $others = [],
    ) {
    }

    /**
     * @param  bool  $copy whether such a paper was handed out before
     * @param  bool  $toLookAt on a screen, where what is worth money by itself is not shown
     * @return array<string, mixed>
     */
    public function of(Document $document, bool $copy, bool $toLookAt = false): array
    {
        $document->loadMissing(['lines', 'taxes', 'tenders', 'location', 'till', 'staff', 'refersTo', 'coupons']);
        $customer = $document->customer_id === null
                ? null
                : DB::table('customers')
                    ->where('id', $document->customer_id)
                    ->first(['number', 'street', 'postcode', 'town']);

        return [
            'document' => $document,
            'shop' => $this->house->shop(),
            'copy' => $copy,
            'training' => $this->practice->isOn(),
            'account' => $document->balance_before === null || $customer === null ? null : (string) $customer->number,
            'address' => $customer === null
                    ? []
                    : array_values(
                        array_filter(
                            [(string) $customer->street, trim("{$customer->postcode} {$customer->town}")],
                            static fn (string $line): bool => $line !== '',
                        ),
                    ),
            'exempted' => Exempted::fromJson($document->exemption),
            'origins' => $this->origins($document),
            'policy' => $this->policy(),
            'notes' => $this->notes($document, $copy || $toLookAt),
            'letters' => $this->settings->letters(),
        ];
    }

    /** @return array<int, string> numbers of what was sold that comes back, by document */
    private function origins(Document $document): array
    {
        $ids = $document->lines->pluck('origin_document_id')->filter()->unique()->all();

        return $ids === []
            ? []
            : DB::table('documents')
                ->whereIn('id', $ids)
                ->pluck('label', 'id')
                ->map(static fn (mixed $label): string => is_string($label) ? $label : '')
                ->all();
    }

    /** What the shop takes back, as it stands on receipts; empty: it says nothing. */
    private function policy(): string
    {
        $row = DB::table('return_policies')
            ->where('id', $this->house->shop()->return_policy_id)
            ->first();

        return $row === null
            ? ''
            : implode(
                ', ',
                array_filter(
                    [$row->days === null ? 'at any time' : "within {$row->days} days", (string) $row->words],
                    static fn (string $part): bool => $part !== '',
                ),
            );
    }

    /** @return list<PaperNote> */
    private function notes(Document $document, bool $copy): array
    {
        $others = [...$this->others];
        usort($others, static fn (Annotates $one, Annotates $other): int => $one->place() <=> $other->place());

        return array_merge(
            ...array_map(static fn (Annotates $other): array => $other->notes($document, $copy), $others),
        );
    }
}
