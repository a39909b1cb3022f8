<?php

declare(strict_types=1);

namespace Elmstone\Books\Pages;

use Closure;
use Elmstone\Books\Document;
use Elmstone\Books\DocumentLine;
use Elmstone\Books\FindDocuments;
use Elmstone\Books\Purpose;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Refused;
use Elmstone\Core\Money\TypedNumber;
use Elmstone\Core\Settlement\TenderKind;
use Elmstone\Shop\House;
use Elmstone\Staff\AtTill;
use Elmstone\Staff\Sight;
use Elmstone\Staff\Staff;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Rule;

/** What is looked for in the register. */
final class RegisterRequest extends FormRequest
{
    /** What can be looked for of documents, in words; sales are invoices and what comes back of them. */
    public const KINDS = [
        'sales' => 'sales and returns', 'invoice' => 'invoices', 'credit_note' => 'credit notes',
        'receipt' => 'receipts', 'refund' => 'refunds', 'adjustment' => 'adjustments',
    ];

    /** A search that makes no sense goes to the whole register, which says so. */
    protected $redirectRoute = 'documents';

    /** @return array<string, array<mixed>> */
    public function rules(): array
    {
        return [
            'number' => ['nullable', 'string', 'max:20'],
            'from' => ['nullable', 'date_format:Y-m-d'],
            'until' => ['nullable', 'date_format:Y-m-d'],
            'customer' => ['nullable', 'string', 'max:100'],
            'total' => ['nullable', 'string', 'max:20', $this->amount(...)],
            'clerk' => ['nullable', 'integer'],
            'tender' => ['nullable', Rule::enum(TenderKind::class)],
            'item' => ['nullable', 'string', 'max:60'],
            'kind' => ['nullable', Rule::in(array_keys(self::KINDS))],
            'location' => ['nullable', 'integer'],
            'person' => ['nullable', 'integer'],
            'find' => ['nullable', 'string', 'max:60'],
        ];
    }

    /** @return array<string, string> */
    public function filters(): array
    {
        return array_map(
            static fn (mixed $value): string => is_scalar($value) ? (string) $value : '',
            $this->only(array_keys($this->rules())),
        );
    }

    /**
     * The documents that match, newest first.
     *
     * @return Builder<Document>
     */
    public function documents(): Builder
    {
        $text = fn (string $key): string => $this->string($key)->trim()->value();
        $query = Document::query();
        $staff = $this->user();
        $staff instanceof Staff
            && ! app(Sight::class)->seesAll($staff)
            && $query->where('location_id', app(AtTill::class)->till()->location_id);
        $query->orderByDesc('business_date')->orderByDesc('id');

        if (preg_match('/^(?:([A-Za-z]{2,3})-?)?0*(\d+)$/', $text('number'), $parts) === 1) {
            $query
                ->where('number', $parts[2])
                ->when(
                    $parts[1] !== '',
                    static fn ($query) => $query->where('label', 'like', strtoupper($parts[1]).'-%'),
                );
        } elseif ($text('number') !== '') {
            $query->where('label', $text('number'));
        }

        $query
            ->when($text('from') !== '', static fn ($query) => $query->where('business_date', '>=', $text('from')))
            ->when($text('until') !== '', static fn ($query) => $query->where('business_date', '<=', $text('until')))
            ->when(
                $text('customer') !== '',
                static fn ($query) => $query->where(
                    'customer_name',
                    'like',
                    '%'.addcslashes($text('customer'), '%_\\').'%',
                ),
            )
            ->when($text('total') !== '', fn ($query) => $query->where('total', $this->total($text('total'))))
            ->when($text('clerk') !== '', static fn ($query) => $query->where('staff_id', $text('clerk')))
            ->when(
                $text('tender') !== '',
                static fn ($query) => $query->whereRaw(
                    '(SELECT 1 FROM document_tenders t WHERE t.document_id = documents.id AND t.kind = ? LIMIT 1) = 1',
                    [$text('tender')],
                ),
            )
            ->when($text('item') !== '', fn ($query) => $query->whereIn('id', $this->withItem($text('item'))))
            ->when($text('location') !== '', static fn ($query) => $query->where('location_id', $text('location')))
            ->when($text('person') !== '', static fn ($query) => $query->where('seller_id', $text('person')));
        $this->ofKind($query, $text('kind'));
        $text('find') === '' || $query->whereIn('id', app(FindDocuments::class)->find($text('find')));

        return $query;
    }

    /** @param  Builder<Document>  $query */
    private function ofKind(Builder $query, string $kind): void
    {
        match ($kind) {
            '' => null,
            'sales' => $query->whereIn('purpose', [Purpose::Sale, Purpose::Fee, Purpose::Void]),
            default => $query->where('kind', $kind),
        };
    }

    /**
     * The documents that have a line with this code or, where no line has, with this in its description.
     *
     * @return Builder<DocumentLine>
     */
    private function withItem(string $item): Builder
    {
        $lines = DocumentLine::query();
        $lines->select('document_id');
        $byCode = preg_match('/^[!-~]+$/D', $item) === 1 && DocumentLine::query()->where('code', $item)->exists();

        return $byCode
            ? $lines->where('code', $item)
            : $lines->where('description', 'like', '%'.addcslashes($item, '%_\\').'%');
    }

    /** @param  Closure(string): mixed  $fail */
    private function amount(string $attribute, mixed $value, Closure $fail): void
    {
        try {
            $this->total(is_string($value) ? $value : '');
        } catch (Refused $refused) {
            $fail($refused->getMessage());
        }
    }

    /** @throws Refused bad_number, bad_amount */
    private function total(string $typed): Money
    {
        return Money::of(TypedNumber::plain($typed), app(House::class)->currency());
    }
}
