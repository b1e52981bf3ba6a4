CREATE TABLE public.buckle (
    id uuid DEFAULT gen_random_uuid() NOT NULL,
    workshop_id uuid NOT NULL,
    created_at timestamp with time zone DEFAULT now() NOT NULL,
    value json NOT NULL
);

CREATE TABLE public.cord (
    id uuid DEFAULT gen_random_uuid() NOT NULL,
    workshop_id uuid NOT NULL,
    created_at timestamp with time zone DEFAULT now() NOT NULL,
    value json NOT NULL
);

CREATE TABLE public.make (
    id uuid DEFAULT gen_random_uuid() NOT NULL,
    workshop_id uuid NOT NULL,
    created_at timestamp with time zone DEFAULT now() NOT NULL,
    piece_id uuid NOT NULL,
    piece json NOT NULL,
    plan json NOT NULL,
    done integer DEFAULT 0 NOT NULL,
    total integer NOT NULL,
    record json,
    logged_at timestamp with time zone,
    abandoned_at timestamp with time zone,
    CONSTRAINT make_check CHECK (((done >= 0) AND (done <= total))),
    CONSTRAINT make_total_check CHECK ((total > 0))
);

CREATE TABLE public.migrations (
    id integer NOT NULL,
    "timestamp" bigint NOT NULL,
    name character varying NOT NULL
);

CREATE SEQUENCE public.migrations_id_seq
    AS integer
    START WITH 1
    INCREMENT BY 1
    NO MINVALUE
    NO MAXVALUE
    CACHE 1;

ALTER SEQUENCE public.migrations_id_seq OWNED BY public.migrations.id;

CREATE TABLE public.piece (
    id uuid DEFAULT gen_random_uuid() NOT NULL,
    workshop_id uuid NOT NULL,
    created_at timestamp with time zone DEFAULT now() NOT NULL,
    version integer DEFAULT 1 NOT NULL,
    spec json NOT NULL,
    updated_at timestamp with time zone DEFAULT now() NOT NULL,
    archived_at timestamp with time zone
);

CREATE TABLE public.wearer (
    id uuid DEFAULT gen_random_uuid() NOT NULL,
    workshop_id uuid NOT NULL,
    created_at timestamp with time zone DEFAULT now() NOT NULL,
    value json NOT NULL
);

CREATE TABLE public.workshop (
    id uuid DEFAULT gen_random_uuid() NOT NULL,
    name text NOT NULL,
    maker text NOT NULL,
    settings json NOT NULL,
    created_at timestamp with time zone DEFAULT now() NOT NULL
);

ALTER TABLE ONLY public.migrations ALTER COLUMN id SET DEFAULT nextval('public.migrations_id_seq'::regclass);

INSERT INTO public.buckle VALUES ('36318c28-8a01-454a-8740-6e75224c4aab', 'b6b07446-7bb7-45ed-9af3-635dae972050', '2026-11-25 21:50:20.559391+00', '{"name":"Buckle","slot":16,"barToBar":34,"thickness":9.5,"bar":3,"colour":"#2b3136"}');

INSERT INTO public.make VALUES ('7ddf5845-775a-4022-9e94-638a7d09d999', 'b6b07446-7bb7-45ed-9af3-635dae972050', '2026-11-25 21:50:20.56703+00', 'f80f5e08-8777-4bc0-913d-7f199d6e0347', '{"name":"Old band","wearer":{"name":"Somebody","wrist":183},"ease":{"rule":"two-fingers"},"scheme":"own-core","cords":[{"name":"slate","kind":"paracord","diameter":4,"colour":{"name":"slate","hex":"#5b6b78"}},{"name":"orange","kind":"paracord","diameter":4,"colour":{"name":"orange","hex":"#5b6b78"}}],"parts":[{"id":"band","technique":"square-knot-sinnet","form":"flat","tension":"even","length":null}],"closure":{"type":"side-release-buckle","buckle":{"name":"Buckle","slot":16,"barToBar":34,"thickness":9.5,"bar":3,"colour":"#2b3136"}},"ends":"singe","cutting":{"sureness":0.95,"step":10}}', '{}', 60, 60, '{"cords":[{"cut":700,"leftover":80},{"cut":2600,"leftover":300}],"length":210,"minutes":50}', '2026-01-02 10:00:00+00', NULL);
INSERT INTO public.make VALUES ('c7e8062e-0ca3-4990-b2ba-1a3061066c5e', 'b6b07446-7bb7-45ed-9af3-635dae972050', '2026-11-25 21:50:20.56913+00', 'f80f5e08-8777-4bc0-913d-7f199d6e0347', '{"name":"Old band","wearer":{"name":"Somebody","wrist":18},"ease":{"rule":"two-fingers"},"scheme":"own-core","cords":[{"name":"slate","kind":"paracord","diameter":4,"colour":{"name":"slate","hex":"#5b6b78"}},{"name":"orange","kind":"paracord","diameter":4,"colour":{"name":"orange","hex":"#5b6b78"}}],"parts":[{"id":"band","technique":"square-knot-sinnet","form":"flat","tension":"even","length":null}],"closure":{"type":"side-release-buckle","buckle":{"name":"Buckle","slot":16,"barToBar":34,"thickness":9.5,"bar":3,"colour":"#2b3136"}},"ends":"singe","cutting":{"sureness":0.95,"step":10}}', '{}', 9, 60, NULL, NULL, NULL);
INSERT INTO public.make VALUES ('de3e461b-13a7-4248-99c4-824395b5895c', 'b6b07446-7bb7-45ed-9af3-635dae972050', '2026-11-25 21:50:20.570324+00', '1abf13dc-da76-42e5-95f0-fe414fbe594c', '{"name":"Old band","wearer":{"name":"Somebody","wrist":183},"ease":{"rule":"two-fingers"},"scheme":"own-core","cords":[{"name":"slate","kind":"paracord","diameter":4,"colour":{"name":"slate","hex":"#5b6b78"}},{"name":"orange","kind":"paracord","diameter":4,"colour":{"name":"orange","hex":"#5b6b78"}}],"parts":[{"id":"band","technique":"square-knot-sinnet","form":"flat","tension":"even","length":null}],"closure":{"type":"side-release-buckle","buckle":{"name":"Buckle","slot":16,"barToBar":34,"thickness":9.5,"bar":3,"colour":"#2b3136"}},"ends":"singe","cutting":{"sureness":0.95,"step":10}}', '{}', 14, 60, NULL, NULL, NULL);

INSERT INTO public.migrations VALUES (1, 1700000000001, 'Foundation1700000000001');

INSERT INTO public.piece VALUES ('f80f5e08-8777-4bc0-913d-7f199d6e0347', 'b6b07446-7bb7-45ed-9af3-635dae972050', '2026-11-25 21:50:20.563815+00', 1, '{"name":"Old band","wearer":{"name":"Somebody","wrist":183},"ease":{"rule":"two-fingers"},"scheme":"own-core","cords":[{"name":"slate","kind":"paracord","diameter":4,"colour":{"name":"slate","hex":"#5b6b78"}},{"name":"orange","kind":"paracord","diameter":4,"colour":{"name":"orange","hex":"#5b6b78"}}],"parts":[{"id":"band","technique":"square-knot-sinnet","form":"flat","tension":"even","length":null}],"closure":{"type":"side-release-buckle","buckle":{"name":"Buckle","slot":16,"barToBar":34,"thickness":9.5,"bar":3,"colour":"#2b3136"}},"ends":"singe","cutting":{"sureness":0.95,"step":10}}', '2026-11-25 21:50:20.563815+00', NULL);
INSERT INTO public.piece VALUES ('1abf13dc-da76-42e5-95f0-fe414fbe594c', 'b6b07446-7bb7-45ed-9af3-635dae972050', '2026-11-25 21:50:20.565037+00', 1, '{"name":"Another band","wearer":{"name":"Somebody","wrist":183},"ease":{"rule":"two-fingers"},"scheme":"own-core","cords":[{"name":"slate","kind":"paracord","diameter":4,"colour":{"name":"slate","hex":"#5b6b78"}},{"name":"orange","kind":"paracord","diameter":4,"colour":{"name":"orange","hex":"#5b6b78"}}],"parts":[{"id":"band","technique":"square-knot-sinnet","form":"flat","tension":"even","length":null}],"closure":{"type":"side-release-buckle","buckle":{"name":"Buckle","slot":16,"barToBar":34,"thickness":9.5,"bar":3,"colour":"#2b3136"}},"ends":"singe","cutting":{"sureness":0.95,"step":10}}', '2026-11-25 21:50:20.565037+00', NULL);

INSERT INTO public.wearer VALUES ('348a1ab3-baa3-4bbd-88ff-5fea0fdbce42', 'b6b07446-7bb7-45ed-9af3-635dae972050', '2026-11-25 21:50:20.56078+00', '{"name":"Somebody","wrist":183}');

INSERT INTO public.workshop VALUES ('b6b07446-7bb7-45ed-9af3-635dae972050', 'Bench', 'Maker', '{"unit":"cm","cordUnit":"ft","step":10,"sureness":0.95,"hand":"right"}', '2026-11-25 21:50:20.558175+00');

ALTER TABLE ONLY public.migrations
    ADD CONSTRAINT "PK_8c82d7f526340ab734260ea46be" PRIMARY KEY (id);

ALTER TABLE ONLY public.buckle
    ADD CONSTRAINT buckle_pkey PRIMARY KEY (id);

ALTER TABLE ONLY public.cord
    ADD CONSTRAINT cord_pkey PRIMARY KEY (id);

ALTER TABLE ONLY public.make
    ADD CONSTRAINT make_pkey PRIMARY KEY (id);

ALTER TABLE ONLY public.piece
    ADD CONSTRAINT piece_pkey PRIMARY KEY (id);

ALTER TABLE ONLY public.wearer
    ADD CONSTRAINT wearer_pkey PRIMARY KEY (id);

ALTER TABLE ONLY public.workshop
    ADD CONSTRAINT workshop_pkey PRIMARY KEY (id);

CREATE INDEX buckle_workshop_id_created_at_idx ON public.buckle USING btree (workshop_id, created_at);

CREATE INDEX cord_workshop_id_created_at_idx ON public.cord USING btree (workshop_id, created_at);

CREATE INDEX make_workshop_id_created_at_idx ON public.make USING btree (workshop_id, created_at);

CREATE UNIQUE INDEX one_make_under_way ON public.make USING btree (piece_id) WHERE ((logged_at IS NULL) AND (abandoned_at IS NULL));

CREATE INDEX piece_workshop_id_created_at_idx ON public.piece USING btree (workshop_id, created_at);

CREATE INDEX wearer_workshop_id_created_at_idx ON public.wearer USING btree (workshop_id, created_at);

ALTER TABLE ONLY public.buckle
    ADD CONSTRAINT buckle_workshop_id_fkey FOREIGN KEY (workshop_id) REFERENCES public.workshop(id) ON DELETE CASCADE;

ALTER TABLE ONLY public.cord
    ADD CONSTRAINT cord_workshop_id_fkey FOREIGN KEY (workshop_id) REFERENCES public.workshop(id) ON DELETE CASCADE;

ALTER TABLE ONLY public.make
    ADD CONSTRAINT make_piece_id_fkey FOREIGN KEY (piece_id) REFERENCES public.piece(id) ON DELETE CASCADE;

ALTER TABLE ONLY public.make
    ADD CONSTRAINT make_workshop_id_fkey FOREIGN KEY (workshop_id) REFERENCES public.workshop(id) ON DELETE CASCADE;

ALTER TABLE ONLY public.piece
    ADD CONSTRAINT piece_workshop_id_fkey FOREIGN KEY (workshop_id) REFERENCES public.workshop(id) ON DELETE CASCADE;

ALTER TABLE ONLY public.wearer
    ADD CONSTRAINT wearer_workshop_id_fkey FOREIGN KEY (workshop_id) REFERENCES public.workshop(id) ON DELETE CASCADE;

SELECT pg_catalog.setval('public.migrations_id_seq', 1, true);
