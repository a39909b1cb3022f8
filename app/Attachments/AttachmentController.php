<?php

declare(strict_types=1);

namespace Elmstone\Attachments;

use Elmstone\Core\Money\Refused;
use Elmstone\Staff\Staff;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Http\UploadedFile;
use Illuminate\Validation\ValidationException;

/** What is kept with things: a file in, a file read, a file away, and the line that sums a thing up. */
final class AttachmentController
{
    public function __construct(private readonly Attachables $things, private readonly KeepAttachments $keep)
    {
    }

    public function store(Request $request, string $of, int $id, #[CurrentUser] Staff $by): RedirectResponse
    {
        $page = $this->things->page($of, $id);
        $file = $request->file('file');

        try {
            $file instanceof UploadedFile || throw Refused::because('empty_file', 'Choose a picture or a PDF.');
            $file->getError() === UPLOAD_ERR_OK || throw CheckedFile::tooLarge($file->getClientOriginalName());
            $file->getSize() > CheckedFile::MOST && throw CheckedFile::tooLarge($file->getClientOriginalName());
            $kept = $this->keep->add($of, $id, $file->getClientOriginalName(), $file->getContent(), $by);
        } catch (Refused $refused) {
            throw ValidationException::withMessages(['file' => $refused->getMessage()])
                ->redirectTo("{$page}#attached");
        }

        return redirect("{$page}#attached")->with('done', "“{$kept->name}” is kept.");
    }

    /**
     * Pictures were drawn by us and are shown; a PDF is saved, not opened in the house's own name. Neither may run or
     * load anything.
     */
    public function show(Attachment $attachment): Response
    {
        abort_if($attachment->removed_at !== null, 404);
        $name = rawurlencode($attachment->name);

        return response($attachment->bytes, 200, [
            'Content-Type' => $attachment->mime,
            'Content-Disposition' => ($attachment->isPicture() ? 'inline' : 'attachment')."; filename*=UTF-8''{$name}",
            'Content-Security-Policy' => "default-src 'none'; sandbox",
        ]);
    }

    public function remove(Attachment $attachment, #[CurrentUser] Staff $by): RedirectResponse
    {
        $page = $this->things->page($attachment->of, $attachment->of_id);
        $this->keep->remove($attachment, $by);

        return redirect("{$page}#attached")->with('done', "“{$attachment->name}” is taken away.");
    }

    public function sumUp(Request $request, string $of, int $id, #[CurrentUser] Staff $by): RedirectResponse
    {
        $page = $this->things->page($of, $id);
        $request->validate(['summary' => ['nullable', 'string', 'max:255']], [
            'summary.max' => 'One line, 255 letters at most.',
        ]);
        $this->keep->sumUp($of, $id, $request->string('summary')->squish()->value(), $by);

        return redirect($page)->with('done', 'Kept.');
    }
}
