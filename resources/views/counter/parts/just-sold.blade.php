@use('Elmstone\Foundation\Show')
@if($justSold->isNotEmpty())
    <h2 class="band-name mt-4 just-sold">Just sold at {{ $till->name }}</h2>
    <table class="ruled small just-sold">
        @foreach($justSold as $document)
            <tr><td><a class="code" href="{{ route('documents.show', $document) }}">{{ $document->label }}</a></td><td class="soft">{{ $document->posted_at->format('H:i') }}</td><td class="figure">{{ Show::money($document->money($document->total)) }}</td></tr>
        @endforeach
    </table>
@endif
