<?php

declare(strict_types=1);

namespace Elmstone\Tills;

use Elmstone\Core\Money\Refused;
use finfo;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\DB;

/** The picture of a receipt for petty cash, kept with its document. */
final readonly class PettyReceipt
{
    private const LARGEST = 4_000_000;

    private const TYPES = ['image/png', 'image/jpeg'];

    private function __construct(public string $type, public string $bytes)
    {
    }

    /**
     * What it is is found out from the picture itself, whatever its name says.
     *
     * @throws Refused bad_picture
     */
    public static function from(UploadedFile $file): self
    {
        $bytes = $file->isValid() && $file->getSize() <= self::LARGEST ? (string) $file->get() : '';
        $type = (string) (new finfo(FILEINFO_MIME_TYPE))->buffer($bytes);

        return in_array($type, self::TYPES, true)
            ? new self($type, $bytes)
            : throw Refused::because('bad_picture', 'A picture is a PNG or JPEG of at most 4 MB.');
    }

    /** In the transaction that posts the document. */
    public function keep(int $document): void
    {
        DB::table('petty_receipts')->insert([
            'document_id' => $document,
            'type' => $this->type,
            'picture' => base64_encode($this->bytes),
        ]);
    }

    /** That of a document, if it has one. */
    public static function of(int $document): ?self
    {
        $row = DB::table('petty_receipts')
            ->where('document_id', $document)
            ->first(['type', 'picture']);

        return $row === null
            ? null
            : new self((string) $row->type, (string) base64_decode((string) $row->picture, true));
    }

    /**
     * @param  list<int>  $documents
     * @return list<int> those that have one
     */
    public static function among(array $documents): array
    {
        return array_values(
            DB::table('petty_receipts')
                ->whereIn('document_id', $documents)
                ->pluck('document_id')
                ->map(static fn (mixed $id): int => is_numeric($id) ? (int) $id : 0)
                ->all(),
        );
    }
}
