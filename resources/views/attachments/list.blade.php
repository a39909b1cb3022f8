@use('Elmstone\Support\Show')
<section class="attached mb-3" id="attached">
    @if($sums)
    <form method="post" action="{{ route('attachments.sum-up', [$of, $id]) }}" class="d-flex gap-2 mb-2">@csrf
        <input class="form-control @error('summary') is-refused @enderror" name="summary" maxlength="255"
            placeholder="in one line: what to know" aria-label="In one line: what to know"
                value="{{ old('summary', $summary) }}"><button class="quiet-act">Keep</button></form>
    @include('design.complaint', ['field' => 'summary'])
    @endif
    @if($mayRead)
    <h2>Pictures and papers</h2>
    @if($files->isNotEmpty())<table class="ruled small"><tbody>@foreach($files as $file)<tr>
        <td class="w-100"><a href="{{ route('attachments.show', $file) }}">{{ $file->name }}</a>
            <div class="soft">{{ $file->sizeSaid() }}, {{ Show::on($file->kept_at) }}, {{ $file->staff->name }}</div>
        </td>
        <td>@if($mayKeep)<form method="post" action="{{ route('attachments.remove', $file) }}">@csrf<button
            class="link-act">Take away<span class="visually-hidden"> {{ $file->name }}</span></button></form>@endif</td>
        </tr>@endforeach</tbody></table>@endif
    @if($mayKeep)<form method="post" action="{{ route('attachments.store', [$of, $id]) }}"
        enctype="multipart/form-data" class="d-flex gap-2 mt-2">@csrf
        <input class="form-control @error('file') is-refused @enderror" type="file" name="file"
            aria-label="A picture or a PDF, 8 MB at most"
                accept="image/png,image/jpeg,image/webp,application/pdf"><button
                    class="quiet-act text-nowrap">Keep it</button>
        </form>@include('design.complaint', ['field' => 'file'])
    @elseif($files->isEmpty())<p class="soft small">None.</p>@endif
    @endif
</section>
