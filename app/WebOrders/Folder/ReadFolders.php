<?php

declare(strict_types=1);

namespace Elmstone\WebOrders\Folder;

use Elmstone\Books\Document;
use Elmstone\Core\Money\Refused;
use Elmstone\Orders\OrderState;
use Elmstone\WebOrders\Despatches;
use Elmstone\WebOrders\ReceiveWebOrder;
use Elmstone\WebOrders\Sender;
use Elmstone\WebOrders\Ubl\WriteDespatch;
use Elmstone\WebOrders\Ubl\WriteResponse;
use Elmstone\WebOrders\WebOrder;
use Illuminate\Support\Facades\DB;
use RuntimeException;

/**
 * A folder per sender, named by their code: what lies in `in` is taken in and then moved to `done`, or to `refused`
 * with the reason beside it; order responses and despatch advices are put in `out`. A file counts once it is whole: it
 * is written under another ending and renamed to .xml.
 */
final readonly class ReadFolders
{
    public function __construct(
        private ReceiveWebOrder $receive,
        private WriteResponse $response,
        private WriteDespatch $despatch,
    ) {
    }

    /** @return int how many files were read */
    public function handle(string $root): int
    {
        $read = 0;

        foreach (Sender::query()->with(['location', 'staff'])->where('active', true)->orderBy('id')->get() as $sender) {
            $folder = "{$root}/{$sender->code}";

            foreach (['in', 'out', 'done', 'refused'] as $part) {
                is_dir("{$folder}/{$part}") || mkdir("{$folder}/{$part}", 0770, true);
            }

            foreach (glob("{$folder}/in/*.xml") ?: [] as $file) {
                $this->read($sender, $folder, $file);
                $read++;
            }

            $this->tell($sender, $folder);
        }

        return $read;
    }

    private function read(Sender $sender, string $folder, string $file): void
    {
        $name = basename($file, '.xml');

        try {
            $web = $this->receive->handle($sender, (string) file_get_contents($file), 'folder');
        } catch (Refused $refused) {
            self::write("{$folder}/refused/{$name}.txt", $refused->getMessage()."\n");
            self::move($file, "{$folder}/refused/{$name}.xml");

            return;
        }

        $this->respond($web, $folder);
        self::move($file, "{$folder}/done/{$name}.xml");
    }

    private function respond(WebOrder $web, string $folder): void
    {
        self::write("{$folder}/out/".self::name($web)."-response-{$web->version}.xml", $this->response->of($web));
    }

    /** What was decided since, and what left since. */
    private function tell(Sender $sender, string $folder): void
    {
        $webs = WebOrder::query()
            ->with(['sender.location', 'order'])
            ->where('sender_id', $sender->id)
            ->where('via', 'folder')
            ->where(static fn ($query) => $query
                ->whereNull('agreement_id')
                ->orWhereHas('order', static fn ($order) => $order
                    ->where('state', OrderState::Open)
                    ->orWhere('ended_on', '>=', now()->subDays(14))));

        foreach ($webs->lazyById(100) as $web) {
            $isTold = is_file("{$folder}/out/".self::name($web)."-response-{$web->version}.xml");
            $isTold || $web->decided_at === null || $this->decided($web, $folder);

            foreach (Despatches::of($web) as $document) {
                $this->despatched($web, $document, $folder);
            }
        }
    }

    /** Said once: who takes the file away is not told again. */
    private function decided(WebOrder $web, string $folder): void
    {
        $mark = "{$folder}/done/".self::name($web)."-told-{$web->version}";

        if (! is_file($mark)) {
            $this->respond($web, $folder);
            self::write($mark, '');
        }
    }

    private function despatched(WebOrder $web, Document $document, string $folder): void
    {
        $isKnown = DB::table('web_despatches')->where('document_id', $document->id)->exists();

        if (! $isKnown) {
            self::write(
                "{$folder}/out/".self::name($web)."-{$document->label}.xml",
                $this->despatch->of($web, $document),
            );
            DB::table('web_despatches')->insert([
                'document_id' => $document->id, 'web_order_id' => $web->id, 'written_at' => now(),
            ]);
        }
    }

    /** A name for files, whatever their number is made of. */
    private static function name(WebOrder $web): string
    {
        return trim((string) preg_replace('/[^A-Za-z0-9-]+/', '-', $web->number), '-')."-{$web->id}";
    }

    /** Whole or not at all. */
    private static function write(string $file, string $text): void
    {
        file_put_contents("{$file}.part", $text) === strlen($text) && rename("{$file}.part", $file)
            || throw new RuntimeException("{$file} cannot be written.");
    }

    private static function move(string $from, string $to): void
    {
        rename($from, $to) || throw new RuntimeException("{$from} cannot be moved to {$to}.");
    }
}
