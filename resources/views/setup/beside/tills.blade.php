@use('Elmstone\Shop\Till')
<h2 class="mt-4">Tills for training</h2>
<p class="soft">Sales are practised at such a till: all is decided as it would be, and nothing is posted.</p>
<table class="ruled w-auto"><tbody>
    @foreach(Till::query()->where('online', false)->orderBy('number')->get() as $till)<tr>
    <td>{{ $till->name }}</td><td>{{ $till->training ? 'for training' : 'a real till' }}</td>
    <td><form method="post" action="{{ route('tills.training', $till) }}">@csrf <input type="hidden" name="training"
        value="{{ $till->training ? 0 : 1 }}"><button class="link-act">{{ $till->training ? 'Make it a real till'
            : 'Make it one for training' }}</button></form></td></tr>@endforeach</tbody></table>
