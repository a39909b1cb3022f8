<?php

declare(strict_types=1);

namespace Elmstone\Paper;

use Elmstone\Books\Document;
use Elmstone\Shop\Till;
use Elmstone\Staff\Staff;
use Illuminate\Support\Facades\DB;
use Ramsey\Uuid\Uuid;

/** A paper somebody asked for: printed again, or mailed. */
final class AskedPaper implements Sends
{
    private const PRINT = 'print';

    private const MAIL = 'mail';

    public function __construct(private readonly IssuePaper $issue)
    {
    }

    /** @param  string  $to a mail address; empty: to the printer */
    public static function ask(Document $document, string $to, Till $till, Staff $by): void
    {
        $what = $to === '' ? self::PRINT : self::MAIL;
        DB::transaction(
            static fn () => app(Outbox::class)->write(
                $what,
                "{$what} ".Uuid::uuid4()->toString(),
                $document->id,
                $till,
                $by,
                ['to' => $to],
            ),
        );
    }

    public function sends(): array
    {
        return [self::PRINT, self::MAIL];
    }

    public function mayWait(string $what): bool
    {
        return $what === self::MAIL;
    }

    public function send(Outgoing $outgoing): void
    {
        $document = Document::query()->findOrFail($outgoing->document_id);
        $outgoing->what === self::MAIL
            ? $this->issue->mail($document, $outgoing->text('to'), $outgoing->staff)
            : $this->issue->print($document, $outgoing->till, $outgoing->staff);
    }
}
