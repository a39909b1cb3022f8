<?php

declare(strict_types=1);

namespace Elmstone\Setup\Sections;

use Elmstone\Setup\Complaints;
use Elmstone\Setup\Field;
use Elmstone\Setup\FieldsSection;
use Elmstone\Shop\Shop;
use Illuminate\Http\UploadedFile;
use Override;

/** What stands on papers besides what they say: a picture, words, and what the receipt shows. */
final class PapersSection extends FieldsSection
{
    /** So large a logo may be: it goes out with every paper. */
    private const MOST_BYTES = 200_000;

    private const MOST_PIXELS = 2_000;

    #[Override]
    public function key(): string
    {
        return 'papers';
    }

    #[Override]
    public function title(): string
    {
        return 'Papers';
    }

    #[Override]
    public function purpose(): string
    {
        return 'What stands on receipts, invoices, statements and letters, besides what they are about. A copy that is '
            .'printed later has it as it is then.';
    }

    #[Override]
    public function fields(): array
    {
        return [
            Field::long('receipt_foot', 'Under a receipt with goods', 255),
            Field::long('paper_foot', 'Under invoices, statements and letters', 500),
            Field::text('paper_web', 'Web address or mail, under the shop’s name', 120),
            Field::tick('receipt_logo', 'Receipts have the logo'),
            Field::tick('receipt_tax_number', 'Receipts have the tax number'),
            Field::tick('receipt_cashier', 'Receipts say who served'),
        ];
    }

    #[Override]
    public function view(): string
    {
        return 'setup.papers';
    }

    #[Override]
    public function words(): array
    {
        $logo = Shop::query()->value('logo');

        return [
            ...parent::words(),
            'Logo' => is_string($logo) ? 'picture '.substr(hash('sha256', $logo), 0, 8) : 'none',
        ];
    }

    #[Override]
    public function keep(array $given): void
    {
        $complaints = new Complaints;
        $values = $this->read([...$this->now(), ...$given], $complaints);
        $file = $given['logo'] ?? null;

        if ($file instanceof UploadedFile) {
            $values['logo'] = $this->picture($file, $complaints);
        } elseif (($given['no_logo'] ?? '') === '1') {
            $values['logo'] = null;
        }

        $complaints->end();
        Shop::query()->firstOrFail()->update($values);
    }

    /** By what is in it, not by what it is called. */
    private function picture(UploadedFile $file, Complaints $complaints): ?string
    {
        $bytes = $file->isValid() ? $file->getContent() : '';
        $size = $bytes === '' ? false : getimagesizefromstring($bytes);
        $kind = $size === false ? '' : $size['mime'];

        $isSmall = strlen($bytes) <= self::MOST_BYTES && max($size[0] ?? 0, $size[1] ?? 0) <= self::MOST_PIXELS;

        return match (true) {
            ! in_array($kind, ['image/png', 'image/jpeg'], true) => $complaints->say(
                'logo',
                'A logo is a PNG or JPEG picture.',
            ),
            ! $isSmall => $complaints->say('logo', 'That is too large: 200 KB and 2,000 pixels at the most.'),
            default => "data:{$kind};base64,".base64_encode($bytes),
        };
    }
}
