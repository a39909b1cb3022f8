{{-- In one step to the device of the till beside it, when one fails. --}}
@if($beside->isNotEmpty())<div class="small">@foreach($beside as $one)<button type="button" class="link-act"
    data-sends="{{ route('counter.device', [$slip->key, 'kind' => $kind, 'uses' => $one->id]) }}">Use the {{ $kind }}
    of {{ $one->name }}</button> @endforeach</div>@endif
@if($complaint->on('device'))<p class="complaint" role="alert">{{ $complaint->message() }}</p>@endif
